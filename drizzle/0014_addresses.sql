PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_addresses` (
	`hash` text PRIMARY KEY NOT NULL,
	`purpose` text NOT NULL,
	`salt` text NOT NULL,
	`person_id` text,
	`pattern_id` text,
	`call` integer,
	`ends_at` integer NOT NULL,
	`withdrawn_at` integer,
	`used_at` integer,
	`at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_addresses`("hash", "purpose", "salt", "person_id", "ends_at", "at") SELECT "hash", 'join', '', "person_id", "ends_at", "at" FROM `addresses`;--> statement-breakpoint
INSERT INTO `__new_addresses`("hash", "purpose", "salt", "pattern_id", "call", "ends_at", "withdrawn_at", "at") SELECT "secret", 'bench', '', "pattern_id", "number", "at" + 7776000000, "withdrawn_at", "at" FROM `calls`;--> statement-breakpoint
DROP TABLE `addresses`;--> statement-breakpoint
ALTER TABLE `__new_addresses` RENAME TO `addresses`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `addresses_of` ON `addresses` (`person_id`);--> statement-breakpoint
CREATE INDEX `addresses_of_pattern` ON `addresses` (`pattern_id`);--> statement-breakpoint
DROP INDEX `calls_secret_unique`;--> statement-breakpoint
ALTER TABLE `calls` DROP COLUMN `secret`;--> statement-breakpoint
ALTER TABLE `calls` DROP COLUMN `withdrawn_at`;--> statement-breakpoint
CREATE TABLE `own_tests` (
	`person_id` text NOT NULL,
	`tester` text NOT NULL,
	PRIMARY KEY(`person_id`, `tester`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`tester`) REFERENCES `testers`(`token`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `tester_devices` (
	`hash` text PRIMARY KEY NOT NULL,
	`tester` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`tester`) REFERENCES `testers`(`token`) ON UPDATE no action ON DELETE cascade
);
