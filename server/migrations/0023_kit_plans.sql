CREATE TABLE `kit_plans` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`setup_id` text NOT NULL,
	`base` text DEFAULT 'nothing' NOT NULL,
	`is_stills` integer DEFAULT false NOT NULL,
	`weighting` text DEFAULT 'even' NOT NULL,
	`musts` text NOT NULL,
	`tiers` text NOT NULL,
	`options` text NOT NULL,
	`taken` text,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `entries` ADD `wish_id` text REFERENCES wishes(id);