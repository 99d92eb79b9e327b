CREATE TABLE `plans` (
	`pattern_id` text PRIMARY KEY NOT NULL,
	`list` text NOT NULL,
	`release` text NOT NULL,
	`editor` text NOT NULL,
	`hours` real,
	`after` text NOT NULL,
	`done` text NOT NULL,
	`moved` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
