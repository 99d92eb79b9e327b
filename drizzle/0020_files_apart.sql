CREATE TABLE `bytes_to_move` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`place` text,
	`row` integer,
	`bytes` blob NOT NULL
);
--> statement-breakpoint
INSERT INTO `bytes_to_move` (`bytes`) SELECT `bytes` FROM `originals`;--> statement-breakpoint
INSERT INTO `bytes_to_move` (`bytes`) SELECT `bytes` FROM `release_files`;--> statement-breakpoint
INSERT INTO `bytes_to_move` (`place`, `row`, `bytes`) SELECT 'photographs', `id`, `bytes` FROM `photographs`;--> statement-breakpoint
INSERT INTO `bytes_to_move` (`place`, `row`, `bytes`) SELECT 'test_photographs', rowid, `bytes` FROM `test_photographs`;--> statement-breakpoint
DROP TABLE `originals`;--> statement-breakpoint
ALTER TABLE `test_photographs` ADD `hash` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `test_photographs` SET `hash` = 'moving-' || rowid;--> statement-breakpoint
ALTER TABLE `test_photographs` DROP COLUMN `bytes`;--> statement-breakpoint
ALTER TABLE `photographs` ADD `hash` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `photographs` SET `hash` = 'moving-' || `id`;--> statement-breakpoint
ALTER TABLE `photographs` DROP COLUMN `bytes`;--> statement-breakpoint
ALTER TABLE `release_files` DROP COLUMN `bytes`;
