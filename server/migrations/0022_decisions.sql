CREATE TABLE `decisions` (
	`id` text PRIMARY KEY NOT NULL,
	`calculator` text NOT NULL,
	`about` text NOT NULL,
	`figures` text NOT NULL,
	`way` text NOT NULL,
	`reason` text NOT NULL,
	`decided_on` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
