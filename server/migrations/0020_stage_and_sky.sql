ALTER TABLE `bookings` ADD `sky` text;--> statement-breakpoint
ALTER TABLE `setups` ADD `stage` text DEFAULT '{}' NOT NULL;