CREATE TABLE `confirmations` (
	`pattern_id` text NOT NULL,
	`line` text NOT NULL,
	`who` text NOT NULL,
	`basis` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `line`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `errata` (
	`pattern_id` text NOT NULL,
	`number` integer NOT NULL,
	`version` text NOT NULL,
	`line` integer NOT NULL,
	`part` text NOT NULL,
	`round` text NOT NULL,
	`words` text NOT NULL,
	`count` integer,
	`note` text NOT NULL,
	`source` text NOT NULL,
	`taken_in` text DEFAULT '' NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `number`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `photographs` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`alt` text NOT NULL,
	`type` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`bytes` blob NOT NULL,
	`removed_at` integer,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `photographs_of_pattern` ON `photographs` (`pattern_id`);--> statement-breakpoint
CREATE TABLE `release_files` (
	`pattern_id` text NOT NULL,
	`number` text NOT NULL,
	`name` text NOT NULL,
	`hash` text NOT NULL,
	`told` text NOT NULL,
	`bytes` blob NOT NULL,
	PRIMARY KEY(`pattern_id`, `number`, `name`),
	FOREIGN KEY (`pattern_id`,`number`) REFERENCES `releases`(`pattern_id`,`number`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `release_files_by_hash` ON `release_files` (`hash`);--> statement-breakpoint
CREATE TABLE `releases` (
	`pattern_id` text NOT NULL,
	`number` text NOT NULL,
	`signer` text NOT NULL,
	`note` text NOT NULL,
	`fingerprint` text NOT NULL,
	`content` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `number`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `trusts` (
	`pattern_id` text NOT NULL,
	`key` text NOT NULL,
	`reason` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `key`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
