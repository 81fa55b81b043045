CREATE TABLE `word_lists` (
	`name` text PRIMARY KEY NOT NULL,
	`words` text NOT NULL
);
