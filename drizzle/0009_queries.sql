CREATE TABLE `events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`query` integer,
	`what` text NOT NULL,
	`who` text NOT NULL,
	`said` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `events_of_pattern` ON `events` (`pattern_id`,`id`);--> statement-breakpoint
CREATE TABLE `letters` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`to` text NOT NULL,
	`subject` text NOT NULL,
	`queries` text NOT NULL,
	`text` text NOT NULL,
	`message` blob,
	`way` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `letters_of_pattern` ON `letters` (`pattern_id`,`at`);--> statement-breakpoint
CREATE TABLE `own_changes` (
	`pattern_id` text NOT NULL,
	`draft` integer NOT NULL,
	`key` text NOT NULL,
	`taken` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `draft`, `key`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `queries` (
	`pattern_id` text NOT NULL,
	`number` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`state` text NOT NULL,
	`scope` text NOT NULL,
	`place` text NOT NULL,
	`part` text NOT NULL,
	`round` text NOT NULL,
	`text` text NOT NULL,
	`proposal` text NOT NULL,
	`rule` text NOT NULL,
	`finding` text NOT NULL,
	`draft` integer NOT NULL,
	`answer` text DEFAULT '' NOT NULL,
	`ref` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `number`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `queries_made_once` ON `queries` (`pattern_id`,`ref`);--> statement-breakpoint
ALTER TABLE `drafts` ADD `sender` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `drafts` ADD `worked` text;--> statement-breakpoint
ALTER TABLE `patterns` ADD `designer` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `patterns` ADD `designer_mail` text DEFAULT '' NOT NULL;