ALTER TABLE `shopping_lines` ADD `wants` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `shopping_lines` ADD `none_because` text DEFAULT '' NOT NULL;