UPDATE `questions` SET `kinds` = trim(replace(' ' || `kinds` || ' ', ' places ', ' formulaWithPlaces '))
WHERE ' ' || `kinds` || ' ' LIKE '% places %';--> statement-breakpoint
UPDATE `kept_searches` SET `search` = json_set(`search`, '$.kind', 'formulaWithPlaces') WHERE json_extract(`search`, '$.kind') = 'places';
