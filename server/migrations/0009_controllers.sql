CREATE TABLE `controls` (
	`controller_id` text NOT NULL,
	`controlled_id` text NOT NULL,
	PRIMARY KEY(`controller_id`, `controlled_id`),
	FOREIGN KEY (`controller_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`controlled_id`) REFERENCES `units`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `controls_controlled` ON `controls` (`controlled_id`);