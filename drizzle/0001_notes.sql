CREATE TABLE `dismissals` (
	`pattern_id` text NOT NULL,
	`key` text NOT NULL,
	`rule` text NOT NULL,
	`reason` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `key`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `ticks` (
	`pattern_id` text NOT NULL,
	`key` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `key`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`revision` integer NOT NULL,
	`text` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `versions_of_pattern` ON `versions` (`pattern_id`,`at`);