CREATE TABLE `projections` (
	`name` varchar(40) NOT NULL,
	`version` int NOT NULL,
	CONSTRAINT `projections_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
CREATE TABLE `terms` (
	`term` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`job` int NOT NULL,
	`field` tinyint NOT NULL,
	CONSTRAINT `terms_term_job_field_pk` PRIMARY KEY(`term`,`job`,`field`)
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `no` int NOT NULL DEFAULT 0;--> statement-breakpoint
UPDATE `jobs` JOIN (SELECT `id`, ROW_NUMBER() OVER (ORDER BY `opened_at`, `id`) AS `n` FROM `jobs`) AS `numbered` ON `numbered`.`id` = `jobs`.`id` SET `jobs`.`no` = `numbered`.`n`;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_no` UNIQUE(`no`), MODIFY `no` int AUTO_INCREMENT NOT NULL;--> statement-breakpoint
CREATE INDEX `jobs_opened` ON `jobs` (`opened_at`);