CREATE TABLE `incident_units` (
	`incident_id` text NOT NULL,
	`unit_id` text NOT NULL,
	`fault_id` text,
	PRIMARY KEY(`incident_id`, `unit_id`),
	FOREIGN KEY (`incident_id`) REFERENCES `incidents`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`unit_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`fault_id`) REFERENCES `faults`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `incident_units_unit` ON `incident_units` (`unit_id`);--> statement-breakpoint
CREATE TABLE `incidents` (
	`id` text PRIMARY KEY NOT NULL,
	`on_day` text NOT NULL,
	`what` text NOT NULL,
	`cause` text DEFAULT '' NOT NULL,
	`saved` text DEFAULT '' NOT NULL,
	`lesson` text DEFAULT '' NOT NULL,
	`lesson_for` text NOT NULL,
	`person_id` text,
	`version` integer DEFAULT 1 NOT NULL
);
