CREATE TABLE `drafts` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`number` integer NOT NULL,
	`file` text NOT NULL,
	`kind` text NOT NULL,
	`size` integer NOT NULL,
	`hash` text NOT NULL,
	`text` text NOT NULL,
	`notes` text NOT NULL,
	`left` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `drafts_by_hash` ON `drafts` (`hash`);--> statement-breakpoint
CREATE UNIQUE INDEX `drafts_in_order` ON `drafts` (`pattern_id`,`number`);--> statement-breakpoint
CREATE TABLE `originals` (
	`draft_id` integer PRIMARY KEY NOT NULL,
	`bytes` blob NOT NULL,
	FOREIGN KEY (`draft_id`) REFERENCES `drafts`(`id`) ON UPDATE no action ON DELETE cascade
);
