CREATE TABLE `deeds` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`deed` text NOT NULL,
	`person_id` text,
	`who` text NOT NULL,
	`role` text,
	`pattern_id` text,
	`about` text NOT NULL,
	`place` text NOT NULL,
	`refused` integer NOT NULL,
	`times` integer NOT NULL,
	`first` integer NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `deeds_at` ON `deeds` (`at`);--> statement-breakpoint
CREATE INDEX `deeds_of` ON `deeds` (`person_id`,`at`);