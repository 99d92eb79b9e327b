CREATE TABLE `word_rows` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`pattern_id` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`pattern_id`) REFERENCES `patterns`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `word_rows_pattern_id_unique` ON `word_rows` (`pattern_id`);--> statement-breakpoint
-- Words as they are typed: any part of one from its beginning, without regard to accents.
CREATE VIRTUAL TABLE `words` USING fts5(`text`, content='', contentless_delete=1, tokenize='unicode61 remove_diacritics 2', prefix='2 3');
--> statement-breakpoint
-- What the shelf is looked through by, without reading the texts: figures of the last check, none where they can't be read.
ALTER TABLE `patterns` ADD COLUMN `told_kind` text GENERATED ALWAYS AS (CASE WHEN json_valid(`summary`) THEN json_type(`summary`) END) VIRTUAL;
--> statement-breakpoint
ALTER TABLE `patterns` ADD COLUMN `told_errors` integer GENERATED ALWAYS AS (CASE WHEN json_valid(`summary`) THEN coalesce(json_extract(`summary`, '$.errors'), 0) ELSE 0 END) VIRTUAL;
--> statement-breakpoint
ALTER TABLE `patterns` ADD COLUMN `told_warnings` integer GENERATED ALWAYS AS (CASE WHEN json_valid(`summary`) THEN coalesce(json_extract(`summary`, '$.warnings'), 0) ELSE 0 END) VIRTUAL;
--> statement-breakpoint
ALTER TABLE `patterns` ADD COLUMN `told_rounds` integer GENERATED ALWAYS AS (CASE WHEN json_valid(`summary`) THEN coalesce(json_extract(`summary`, '$.rounds'), 0) ELSE 0 END) VIRTUAL;
--> statement-breakpoint
ALTER TABLE `patterns` ADD COLUMN `told_ticked` integer GENERATED ALWAYS AS (CASE WHEN json_valid(`summary`) THEN coalesce(json_extract(`summary`, '$.ticked'), 0) ELSE 0 END) VIRTUAL;
--> statement-breakpoint
ALTER TABLE `patterns` ADD COLUMN `told_terms` text GENERATED ALWAYS AS (CASE WHEN `terms` <> 'auto' THEN `terms` WHEN json_valid(`summary`) THEN coalesce(json_extract(`summary`, '$.terms'), 'unclear') ELSE 'unclear' END) VIRTUAL;
--> statement-breakpoint
CREATE INDEX `patterns_told` ON `patterns` (`deleted_at`, `updated_at`, `id`, `name`, `designer`, `created_at`, `revision`, `counted`, `told_kind`, `told_errors`, `told_warnings`, `told_rounds`, `told_ticked`, `told_terms`);
