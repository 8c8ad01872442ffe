-- JSON that is stored keeps up with the names in code: in what stands, and in what can be put back.
UPDATE `setups` SET
  `roles` = replace(replace(`roles`, '"deliberatelyNone":', '"intentionallyEmpty":'), '"givenBy":', '"providedBy":'),
  `accepted` = replace(`accepted`, '"print":', '"fingerprint":');
--> statement-breakpoint
UPDATE `row_changes` SET
  `before` = replace(replace(replace(`before`, '\"deliberatelyNone\":', '\"intentionallyEmpty\":'), '\"givenBy\":', '\"providedBy\":'), '\"print\":', '\"fingerprint\":')
WHERE `table_name` = 'setups' AND `before` IS NOT NULL;
--> statement-breakpoint
UPDATE `saved_views` SET `columns` = replace(`columns`, '"serves"', '"usedIn"');
--> statement-breakpoint
UPDATE `row_changes` SET `before` = replace(`before`, '\"serves\"', '\"usedIn\"') WHERE `table_name` = 'saved_views' AND `before` IS NOT NULL;
