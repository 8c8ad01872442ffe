CREATE TABLE `accounts` (
	`person_id` text PRIMARY KEY NOT NULL,
	`sign_in_name` text NOT NULL,
	`password_hash` text,
	`role` text NOT NULL,
	`is_owner` integer DEFAULT false NOT NULL,
	`disabled_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `accounts_sign_in_name_unique` ON `accounts` (`sign_in_name`);--> statement-breakpoint
CREATE TABLE `attachments` (
	`id` text PRIMARY KEY NOT NULL,
	`subject_type` text NOT NULL,
	`subject_id` text NOT NULL,
	`name` text NOT NULL,
	`mime` text NOT NULL,
	`bytes` integer NOT NULL,
	`sha256` text NOT NULL,
	`added_at` integer NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `attachments_subject` ON `attachments` (`subject_type`,`subject_id`);--> statement-breakpoint
CREATE TABLE `changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`person_id` text,
	`undoes` integer
);
--> statement-breakpoint
CREATE INDEX `changes_undoes` ON `changes` (`undoes`);--> statement-breakpoint
CREATE TABLE `films` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`on` text NOT NULL,
	`setup_id` text,
	`copies` text DEFAULT '[]' NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `invitations` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`expires_at` integer NOT NULL,
	`used_at` integer
);
--> statement-breakpoint
CREATE TABLE `row_changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`change_id` integer NOT NULL,
	`table_name` text NOT NULL,
	`op` text NOT NULL,
	`row_key` text NOT NULL,
	`before` text
);
--> statement-breakpoint
CREATE INDEX `row_changes_change` ON `row_changes` (`change_id`);--> statement-breakpoint
CREATE INDEX `row_changes_row` ON `row_changes` (`table_name`,`row_key`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`created_at` integer NOT NULL,
	`seen_at` integer NOT NULL,
	`expires_at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `sessions_person` ON `sessions` (`person_id`);--> statement-breakpoint
ALTER TABLE `bookings` ADD `party_id` text REFERENCES parties(id);--> statement-breakpoint
ALTER TABLE `bookings` ADD `fee_minor` integer;--> statement-breakpoint
ALTER TABLE `units` ADD `owner_id` text REFERENCES people(id);--> statement-breakpoint
ALTER TABLE `units` ADD `owner_agreed` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `software` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `shopping_lines` ADD `for_group` text;--> statement-breakpoint
ALTER TABLE `setups` ADD `purpose_kind` text DEFAULT 'other' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `skills` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `asks` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `setups` ADD `overrides` text DEFAULT '{"figures":{},"schools":{}}' NOT NULL;--> statement-breakpoint
ALTER TABLE `events` ADD `change_id` integer;--> statement-breakpoint
CREATE INDEX `events_change` ON `events` (`change_id`);--> statement-breakpoint
ALTER TABLE `parties` ADD `contacts` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `parties` ADD `archived_at` integer;--> statement-breakpoint
ALTER TABLE `people` ADD `contacts` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `traits` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `consent` text DEFAULT '{"state":"unknown","on":null,"note":""}' NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `archived_at` integer;--> statement-breakpoint
ALTER TABLE `places` ADD `details` text DEFAULT '{"size":null,"doors":[],"windows":[],"sockets":[],"bars":[],"fixtures":[],"wishes":[],"colours":[],"otherUses":"","accessTerms":"","accessUntil":null,"massLimitGrams":null}' NOT NULL;--> statement-breakpoint
ALTER TABLE `places` ADD `archived_at` integer;