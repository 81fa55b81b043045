CREATE TABLE `media_keepers` (
	`media` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`media`, `member`),
	FOREIGN KEY (`media`) REFERENCES `media`(`hash`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `media_uses` (
	`media` text NOT NULL,
	`row` integer NOT NULL,
	PRIMARY KEY(`media`, `row`)
);
--> statement-breakpoint
CREATE INDEX `media_uses_row` ON `media_uses` (`row`);--> statement-breakpoint
INSERT INTO `media_keepers` (`media`, `member`) SELECT `hash`, `added_by` FROM `media`;--> statement-breakpoint
INSERT INTO `media_uses` (`media`, `row`) SELECT `media`.`hash`, `questions`.`row` FROM `media` JOIN `questions` ON instr(`questions`.`draft`, '"' || `media`.`hash` || '"') > 0;
