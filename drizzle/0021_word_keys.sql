-- The index is made of the texts anew, at the next start: its pieces go by their words and no longer by their numbers.
INSERT INTO `words` (`words`) VALUES ('delete-all');--> statement-breakpoint
DROP TABLE `word_rows`;--> statement-breakpoint
CREATE TABLE `word_rows` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`key` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);--> statement-breakpoint
CREATE UNIQUE INDEX `word_rows_key` ON `word_rows` (`pattern_id`,`key`);
