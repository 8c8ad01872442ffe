ALTER TABLE `service_plans` ADD `every_cycles` integer;--> statement-breakpoint
ALTER TABLE `service_plans` ADD `health_below` integer;