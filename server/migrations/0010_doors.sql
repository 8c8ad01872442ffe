CREATE TABLE `sign_ins` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`name` text NOT NULL,
	`person_id` text,
	`outcome` text NOT NULL,
	`address` text NOT NULL,
	`device` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE INDEX `sign_ins_at` ON `sign_ins` (`at`);--> statement-breakpoint
ALTER TABLE `accounts` ADD `second_factor` text;--> statement-breakpoint
ALTER TABLE `changes` ADD `token` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `changes` ADD `action` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `confirmed_at` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `device` text DEFAULT '' NOT NULL;