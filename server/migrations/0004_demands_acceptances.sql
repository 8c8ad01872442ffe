ALTER TABLE `setups` ADD `demands` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `accepted` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `variant_of` text;