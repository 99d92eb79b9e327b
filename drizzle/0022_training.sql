CREATE TABLE `practice_cards` (
	`person` text NOT NULL,
	`kind` text NOT NULL,
	`card` text NOT NULL,
	`due_at` integer NOT NULL,
	PRIMARY KEY(`person`, `kind`)
);
--> statement-breakpoint
CREATE TABLE `practices` (
	`id` text PRIMARY KEY NOT NULL,
	`person` text NOT NULL,
	`what` text NOT NULL,
	`level` integer NOT NULL,
	`school` text NOT NULL,
	`terms` text NOT NULL,
	`text` text NOT NULL,
	`faults` text NOT NULL,
	`work` text NOT NULL,
	`mark` integer,
	`tally` text,
	`at` integer NOT NULL,
	`ended_at` integer
);
--> statement-breakpoint
CREATE INDEX `practices_of` ON `practices` (`person`,`at`);