CREATE TABLE `column_maps` (
	`id` text PRIMARY KEY NOT NULL,
	`mapping` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `saved_views` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`filter` text NOT NULL,
	`columns` text NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `snapshots` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`taken_at` integer NOT NULL,
	`contents` text NOT NULL,
	`archived_at` integer,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `stocktakes` (
	`id` text PRIMARY KEY NOT NULL,
	`place_id` text,
	`started_at` integer NOT NULL,
	`closed_at` integer,
	`seen` text DEFAULT '[]' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`place_id`) REFERENCES `places`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `models` ADD `aliases` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `models` ADD `not_in_box` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `models` ADD `successor_id` text;--> statement-breakpoint
ALTER TABLE `models` ADD `availability` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `models` ADD `link` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `models` ADD `archived_at` integer;--> statement-breakpoint
ALTER TABLE `units` ADD `nickname` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `now_place_id` text REFERENCES places(id);--> statement-breakpoint
ALTER TABLE `units` ADD `parent_id` text;--> statement-breakpoint
ALTER TABLE `units` ADD `bond` text DEFAULT 'part' NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `stands_in_for` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `remarks` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `provenance` text DEFAULT '{"taxMinor":null,"valueMinor":null,"valueOn":null,"replacementMinor":null,"insuredMinor":null,"warrantyUntil":null,"warrantyTerms":"","duties":[],"disclosure":"","interest":"","interestUntil":null,"conditionOnArrival":"","reason":""}' NOT NULL;--> statement-breakpoint
CREATE INDEX `units_serial` ON `units` (`serial`);--> statement-breakpoint
CREATE INDEX `units_parent` ON `units` (`parent_id`);--> statement-breakpoint
CREATE TABLE `search_keys` (`id` integer PRIMARY KEY, `unit_id` text NOT NULL UNIQUE);
--> statement-breakpoint
CREATE VIRTUAL TABLE `unit_words` USING fts5(words, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
--> statement-breakpoint
CREATE VIEW `unit_word_source` AS
SELECT k.id AS id, u.id AS unit_id, u.tag || ' ' || replace(u.tag, '-', '') || ' ' || m.maker || ' ' || m.name || ' ' ||
  m.category || ' ' || m.aliases || ' ' || u.nickname || ' ' || coalesce(u.serial, '') || ' ' || coalesce(p.name, '') || ' ' ||
  u.stands_in_for || ' ' || u.note || ' ' ||
  coalesce((SELECT group_concat(json_extract(r.value, '$.text'), ' ') FROM json_each(u.remarks) r), '') AS words
FROM units u JOIN search_keys k ON k.unit_id = u.id JOIN models m ON m.id = u.model_id LEFT JOIN places p ON p.id = u.place_id;
--> statement-breakpoint
CREATE TRIGGER `words_unit_insert` AFTER INSERT ON `units` BEGIN
  INSERT INTO search_keys (unit_id) VALUES (new.id);
  INSERT INTO unit_words (rowid, words) SELECT id, words FROM unit_word_source WHERE unit_id = new.id;
END;
--> statement-breakpoint
CREATE TRIGGER `words_unit_update` AFTER UPDATE OF tag, model_id, serial, nickname, place_id, stands_in_for, note, remarks ON `units` BEGIN
  INSERT OR REPLACE INTO unit_words (rowid, words) SELECT id, words FROM unit_word_source WHERE unit_id = new.id;
END;
--> statement-breakpoint
CREATE TRIGGER `words_unit_delete` AFTER DELETE ON `units` BEGIN
  DELETE FROM unit_words WHERE rowid = (SELECT id FROM search_keys WHERE unit_id = old.id);
  DELETE FROM search_keys WHERE unit_id = old.id;
END;
--> statement-breakpoint
CREATE TRIGGER `words_model_update` AFTER UPDATE OF maker, name, category, aliases ON `models` BEGIN
  INSERT OR REPLACE INTO unit_words (rowid, words)
    SELECT id, words FROM unit_word_source WHERE unit_id IN (SELECT id FROM units WHERE model_id = new.id);
END;
--> statement-breakpoint
CREATE TRIGGER `words_place_update` AFTER UPDATE OF name ON `places` BEGIN
  INSERT OR REPLACE INTO unit_words (rowid, words)
    SELECT id, words FROM unit_word_source WHERE unit_id IN (SELECT id FROM units WHERE place_id = new.id);
END;
--> statement-breakpoint
INSERT INTO `search_keys` (unit_id) SELECT id FROM units;
--> statement-breakpoint
INSERT INTO `unit_words` (rowid, words) SELECT id, words FROM unit_word_source;
