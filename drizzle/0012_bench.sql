CREATE TABLE `calls` (
	`pattern_id` text NOT NULL,
	`number` integer NOT NULL,
	`secret` text NOT NULL,
	`revision` integer NOT NULL,
	`text` text NOT NULL,
	`course` text NOT NULL,
	`wanted` text NOT NULL,
	`withdrawn_at` integer,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `number`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `calls_secret_unique` ON `calls` (`secret`);--> statement-breakpoint
CREATE TABLE `test_photographs` (
	`pattern_id` text NOT NULL,
	`tester` text NOT NULL,
	`name` text NOT NULL,
	`type` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` blob NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`tester`, `name`),
	FOREIGN KEY (`tester`) REFERENCES `testers`(`token`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `test_steps` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`tester` text NOT NULL,
	`step` text NOT NULL,
	`content` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`tester`) REFERENCES `testers`(`token`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `test_steps_of_pattern` ON `test_steps` (`pattern_id`,`id`);--> statement-breakpoint
CREATE UNIQUE INDEX `test_steps_once` ON `test_steps` (`tester`,`step`);--> statement-breakpoint
CREATE TABLE `testers` (
	`token` text PRIMARY KEY NOT NULL,
	`pattern_id` text NOT NULL,
	`call` integer NOT NULL,
	`name` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`,`call`) REFERENCES `calls`(`pattern_id`,`number`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `testers_by_name` ON `testers` (`pattern_id`,`call`,`name`);