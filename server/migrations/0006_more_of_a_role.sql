ALTER TABLE `units` ADD `banks` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `is_mirrored` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `speakers` integer;--> statement-breakpoint
ALTER TABLE `setups` ADD `shot` text;