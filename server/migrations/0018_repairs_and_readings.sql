CREATE TABLE `capacity_runs` (
	`id` text PRIMARY KEY NOT NULL,
	`unit_id` text NOT NULL,
	`on_day` text NOT NULL,
	`milliwatt_hours` integer NOT NULL,
	`cycles` integer,
	`source` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `capacity_runs_unit` ON `capacity_runs` (`unit_id`,`on_day`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` text PRIMARY KEY NOT NULL,
	`device_id` text NOT NULL,
	`number` text NOT NULL,
	`unit_id` text NOT NULL,
	`at` integer NOT NULL,
	`received_at` integer NOT NULL,
	`told` text NOT NULL,
	`outcome` text NOT NULL,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `readings_once` ON `readings` (`device_id`,`number`,`unit_id`);--> statement-breakpoint
CREATE INDEX `readings_unit` ON `readings` (`unit_id`,`at`);--> statement-breakpoint
CREATE TABLE `repairs` (
	`id` text PRIMARY KEY NOT NULL,
	`unit_id` text NOT NULL,
	`fault_id` text,
	`stage` text NOT NULL,
	`claim` text NOT NULL,
	`party_id` text,
	`reference` text DEFAULT '' NOT NULL,
	`claim_by` text,
	`asked_on` text NOT NULL,
	`sent_on` text,
	`due_on` text,
	`quote_minor` integer,
	`cost_minor` integer,
	`back_on` text,
	`ended_on` text,
	`note` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`fault_id`) REFERENCES `faults`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`party_id`) REFERENCES `parties`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `repairs_unit` ON `repairs` (`unit_id`);--> statement-breakpoint
CREATE INDEX `repairs_open` ON `repairs` (`ended_on`);--> statement-breakpoint
CREATE TABLE `stock_uses` (
	`id` text PRIMARY KEY NOT NULL,
	`stock_id` text NOT NULL,
	`on_day` text NOT NULL,
	`quantity` integer NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`stock_id`) REFERENCES `stock`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `stock_uses_stock` ON `stock_uses` (`stock_id`,`on_day`);--> statement-breakpoint
ALTER TABLE `faults` ADD `fails` text;--> statement-breakpoint
ALTER TABLE `faults` ADD `is_noisy` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `faults` ADD `is_hazard` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `faults` ADD `value_loss_minor` integer;--> statement-breakpoint
ALTER TABLE `stock` ADD `supply` text DEFAULT '{"expiresOn":null,"leadDays":null,"source":"","secondSource":"","perUse":null}' NOT NULL;