DROP INDEX `word_rows_pattern_id_unique`;--> statement-breakpoint
ALTER TABLE `word_rows` ADD `piece` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX `word_rows_piece` ON `word_rows` (`pattern_id`,`piece`);