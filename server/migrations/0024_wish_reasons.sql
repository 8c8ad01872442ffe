ALTER TABLE `wishes` ADD `because` text DEFAULT 'unsaid' NOT NULL;--> statement-breakpoint
ALTER TABLE `wishes` ADD `tried` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `wishes` ADD `review_on` text;