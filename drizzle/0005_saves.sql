CREATE TABLE `saves` (
	`pattern_id` text NOT NULL,
	`revision` integer NOT NULL,
	`hash` text NOT NULL,
	PRIMARY KEY(`pattern_id`, `revision`),
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `patterns` ADD `counted` integer;