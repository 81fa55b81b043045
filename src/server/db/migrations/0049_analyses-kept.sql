CREATE TABLE `analyses` (
	`sitting` text NOT NULL,
	`part` text NOT NULL,
	`fingerprint` text NOT NULL,
	`found` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`sitting`, `part`),
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `kept_figures` (
	`sitting` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `question_figures` (
	`sitting` text NOT NULL,
	`item` text NOT NULL,
	`question` text NOT NULL,
	`persons` integer NOT NULL,
	`earned` real NOT NULL,
	`with_rest` real,
	PRIMARY KEY(`sitting`, `item`),
	FOREIGN KEY (`sitting`) REFERENCES `sittings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `question_figures_question` ON `question_figures` (`question`,`persons`,`earned`,`with_rest`);--> statement-breakpoint
-- The figures of results that are out already are to be kept.
INSERT INTO `versions` (`topic`, `version`) SELECT 'figures:' || `id`, (SELECT coalesce(max(`version`), 0) FROM `versions`) + row_number() OVER (ORDER BY `id`) FROM `sittings` WHERE `released_at` IS NOT NULL;
