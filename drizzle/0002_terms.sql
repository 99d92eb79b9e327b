CREATE TABLE `editions` (
	`pattern_id` text PRIMARY KEY NOT NULL,
	`source_id` text NOT NULL,
	`to` text NOT NULL,
	`source_revision` integer NOT NULL,
	`converted` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`source_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `editions_of_source` ON `editions` (`source_id`);--> statement-breakpoint
CREATE TABLE `term_decisions` (
	`pattern_id` text NOT NULL,
	`to` text NOT NULL,
	`key` text NOT NULL,
	`written` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`pattern_id`, `to`, `key`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `patterns` ADD `terms` text DEFAULT 'auto' NOT NULL;