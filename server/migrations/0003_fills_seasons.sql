ALTER TABLE `units` ADD `fills` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `units` ADD `season` text;--> statement-breakpoint
-- Programs that were written down before say of the new questions what nobody said otherwise.
UPDATE units SET software = (
  SELECT json_group_array(json_insert(value, '$.onUnitId', NULL, '$.media', 'download', '$.needsWireless', json('false'), '$.minimumMemoryGigabytes', NULL))
  FROM json_each(units.software)
) WHERE software <> '[]';
