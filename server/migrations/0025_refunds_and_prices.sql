ALTER TABLE `entries` ADD `refund_of_id` text REFERENCES entries(id);--> statement-breakpoint
CREATE INDEX `entries_refund_of` ON `entries` (`refund_of_id`);--> statement-breakpoint
ALTER TABLE `shopping_lines` ADD `price` text;