CREATE TABLE `answers_now` (
	`attempt` text NOT NULL,
	`item` text NOT NULL,
	`slot` text NOT NULL,
	`value` text NOT NULL,
	`device` text NOT NULL,
	`seq` integer NOT NULL,
	`written_at` integer NOT NULL,
	`received_at` integer NOT NULL,
	`kept_at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `item`, `slot`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);--> statement-breakpoint
INSERT INTO `answers_now`
SELECT `attempt`, `item`, coalesce(`slot`, ''), `value`, `device`, `seq`, `written_at`, `received_at`, `received_at`
FROM (
	SELECT *, row_number() OVER (PARTITION BY `attempt`, `item`, coalesce(`slot`, '') ORDER BY `written_at` DESC, `id` DESC) AS `turn`
	FROM `answers`
)
WHERE `turn` = 1;
