CREATE TABLE `service_plans` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`subject` text NOT NULL,
	`every_days` integer,
	`every_uses` integer,
	`every_hours` integer,
	`grace_days` integer DEFAULT 0 NOT NULL,
	`minutes` integer,
	`steps` text DEFAULT '' NOT NULL,
	`parts` text DEFAULT '' NOT NULL,
	`who` text DEFAULT '' NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `services` (
	`id` text PRIMARY KEY NOT NULL,
	`unit_id` text NOT NULL,
	`plan_id` text,
	`on_day` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`recorded_at` integer NOT NULL,
	`person_id` text,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`plan_id`) REFERENCES `service_plans`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `services_unit` ON `services` (`unit_id`,`plan_id`,`on_day`);--> statement-breakpoint
CREATE TABLE `unit_uses` (
	`id` text PRIMARY KEY NOT NULL,
	`unit_id` text NOT NULL,
	`on_day` text NOT NULL,
	`uses` integer NOT NULL,
	`hours` real NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `unit_uses_unit` ON `unit_uses` (`unit_id`);