ALTER TABLE `faults` ADD `in_file` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `faults` ADD `work_around` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `faults` ADD `work_around_minutes` integer;