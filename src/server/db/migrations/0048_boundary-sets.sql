CREATE TABLE `boundary_sets` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`boundaries` text NOT NULL,
	`by` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`by`) REFERENCES `members`(`id`) ON UPDATE no action ON DELETE no action
);
