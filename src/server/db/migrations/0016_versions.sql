CREATE TABLE `versions` (
	`topic` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `versions_in_order` ON `versions` (`version`);