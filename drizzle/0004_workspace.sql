CREATE TABLE `workspace` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL,
	`at` integer NOT NULL
);
