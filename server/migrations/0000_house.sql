CREATE TABLE `faults` (
	`id` text PRIMARY KEY NOT NULL,
	`unit_id` text NOT NULL,
	`booking_id` text,
	`note` text NOT NULL,
	`severity` text NOT NULL,
	`reported_at` integer NOT NULL,
	`mended_at` integer,
	`mend_note` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`booking_id`) REFERENCES `bookings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `faults_unit` ON `faults` (`unit_id`);--> statement-breakpoint
CREATE INDEX `faults_open` ON `faults` (`mended_at`);--> statement-breakpoint
CREATE TABLE `bookings` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`setup_id` text,
	`unit_ids` text NOT NULL,
	`place_id` text,
	`person_ids` text NOT NULL,
	`starts_at` text NOT NULL,
	`ends_at` text NOT NULL,
	`rig_minutes` integer NOT NULL,
	`strike_minutes` integer NOT NULL,
	`hold_start` integer NOT NULL,
	`hold_end` integer NOT NULL,
	`state` text NOT NULL,
	`items` text,
	`note` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bookings_hold` ON `bookings` (`hold_start`,`hold_end`);--> statement-breakpoint
CREATE INDEX `bookings_setup` ON `bookings` (`setup_id`);--> statement-breakpoint
CREATE TABLE `interfaces` (
	`code` text PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`kind` text NOT NULL,
	`host_name` text NOT NULL,
	`guest_name` text NOT NULL,
	`standard` text,
	`via_cable_only` integer NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `models` (
	`id` text PRIMARY KEY NOT NULL,
	`maker` text NOT NULL,
	`name` text NOT NULL,
	`category` text NOT NULL,
	`specs` text NOT NULL,
	`ports` text NOT NULL,
	`power_modes` text NOT NULL,
	`recording_modes` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `models_category` ON `models` (`category`);--> statement-breakpoint
CREATE TABLE `stock` (
	`id` text PRIMARY KEY NOT NULL,
	`tag` text NOT NULL,
	`model_id` text NOT NULL,
	`quantity` integer NOT NULL,
	`reorder_level` integer NOT NULL,
	`place_id` text,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `stock_tag_unique` ON `stock` (`tag`);--> statement-breakpoint
CREATE TABLE `units` (
	`id` text PRIMARY KEY NOT NULL,
	`tag` text NOT NULL,
	`model_id` text NOT NULL,
	`serial` text,
	`state` text NOT NULL,
	`place_id` text,
	`acquisition` text NOT NULL,
	`acquired_on` text,
	`price_minor` integer,
	`party_id` text,
	`due_on` text,
	`health_percent` integer,
	`service_every_days` integer,
	`last_serviced_on` text,
	`note` text DEFAULT '' NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`model_id`) REFERENCES `models`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`party_id`) REFERENCES `parties`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `units_tag_unique` ON `units` (`tag`);--> statement-breakpoint
CREATE INDEX `units_model` ON `units` (`model_id`);--> statement-breakpoint
CREATE INDEX `units_place` ON `units` (`place_id`);--> statement-breakpoint
CREATE INDEX `units_state` ON `units` (`state`);--> statement-breakpoint
CREATE INDEX `units_due` ON `units` (`due_on`);--> statement-breakpoint
CREATE TABLE `budgets` (
	`year` integer PRIMARY KEY NOT NULL,
	`total_minor` integer NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `entries` (
	`id` text PRIMARY KEY NOT NULL,
	`date` text NOT NULL,
	`kind` text NOT NULL,
	`category` text NOT NULL,
	`description` text NOT NULL,
	`net_minor` integer NOT NULL,
	`tax_minor` integer NOT NULL,
	`party_id` text,
	`unit_id` text,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`party_id`) REFERENCES `parties`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `entries_date` ON `entries` (`date`);--> statement-breakpoint
CREATE TABLE `shopping_lines` (
	`id` text PRIMARY KEY NOT NULL,
	`item` text NOT NULL,
	`quantity` integer NOT NULL,
	`reason` text NOT NULL,
	`stock_id` text,
	`setup_id` text,
	`bought_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`stock_id`) REFERENCES `stock`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `setup_stock` (
	`setup_id` text NOT NULL,
	`stock_id` text NOT NULL,
	`quantity` integer NOT NULL,
	PRIMARY KEY(`setup_id`, `stock_id`),
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`stock_id`) REFERENCES `stock`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `setup_units` (
	`setup_id` text NOT NULL,
	`unit_id` text NOT NULL,
	`role_name` text NOT NULL,
	PRIMARY KEY(`setup_id`, `unit_id`),
	FOREIGN KEY (`setup_id`) REFERENCES `setups`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `setup_units_unit` ON `setup_units` (`unit_id`);--> statement-breakpoint
CREATE TABLE `setups` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`name` text NOT NULL,
	`tape` text NOT NULL,
	`purpose` text NOT NULL,
	`place_id` text,
	`circuit_id` text,
	`planned_minutes` integer NOT NULL,
	`note` text NOT NULL,
	`roles` text NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`person_id` text,
	`kind` text NOT NULL,
	`subject_type` text NOT NULL,
	`subject_id` text NOT NULL,
	`data` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `events_subject` ON `events` (`subject_type`,`subject_id`,`id`);--> statement-breakpoint
CREATE TABLE `parties` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`skills` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `places` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`parent_id` text,
	`circuits` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `places_name_unique` ON `places` (`name`);--> statement-breakpoint
CREATE TABLE `studio` (
	`id` integer PRIMARY KEY NOT NULL,
	`settings` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TRIGGER `events_never_change` BEFORE UPDATE ON `events` BEGIN SELECT RAISE(ABORT, 'the event log is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `events_never_go` BEFORE DELETE ON `events` BEGIN SELECT RAISE(ABORT, 'the event log is append-only'); END;
