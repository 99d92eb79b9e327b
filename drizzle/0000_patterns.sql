CREATE TABLE `patterns` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`text` text NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`deleted_at` integer,
	`summary` text NOT NULL,
	`demo_key` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `patterns_demo_key_unique` ON `patterns` (`demo_key`);--> statement-breakpoint
CREATE INDEX `patterns_shelf` ON `patterns` (`deleted_at`,`updated_at`);