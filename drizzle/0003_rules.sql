CREATE TABLE `rule_settings` (
	`scope` text NOT NULL,
	`rule` text NOT NULL,
	`severity` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`scope`, `rule`)
);
