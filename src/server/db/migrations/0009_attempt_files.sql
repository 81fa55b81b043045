CREATE TABLE `attempt_files` (
	`attempt` text NOT NULL,
	`hash` text NOT NULL,
	`name` text NOT NULL,
	`size` integer NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`attempt`, `hash`),
	FOREIGN KEY (`attempt`) REFERENCES `attempts`(`id`) ON UPDATE no action ON DELETE no action
);
