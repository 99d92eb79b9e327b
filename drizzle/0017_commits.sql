CREATE TABLE `commits` (
	`id` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `commits_at` ON `commits` (`at`);