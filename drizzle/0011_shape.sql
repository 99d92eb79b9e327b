CREATE TABLE `shapes` (
	`pattern_id` text PRIMARY KEY NOT NULL,
	`settings` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
