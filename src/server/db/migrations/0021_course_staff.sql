CREATE TABLE `course_staff` (
	`course` text NOT NULL,
	`member` text NOT NULL,
	PRIMARY KEY(`course`, `member`),
	FOREIGN KEY (`course`) REFERENCES `courses`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`member`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `course_staff_member` ON `course_staff` (`member`);--> statement-breakpoint
INSERT INTO `course_staff` (`course`, `member`) SELECT `courses`.`id`, `members`.`id` FROM `courses`, `members` WHERE `members`.`role` IN ('teacher', 'marker');
