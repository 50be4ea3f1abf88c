CREATE TABLE `odds` (
	`hash` char(64) NOT NULL,
	`body` longtext NOT NULL,
	CONSTRAINT `odds_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `odds_heads` (
	`machine` varchar(60) NOT NULL,
	`hash` char(64) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `odds_heads_machine` PRIMARY KEY(`machine`)
);
--> statement-breakpoint
CREATE TABLE `outcomes` (
	`job` char(36) NOT NULL,
	`unit` char(36) NOT NULL,
	`machine` varchar(60) NOT NULL,
	`complaint` varchar(60),
	`closed_at` datetime(3) NOT NULL,
	`watch_days` smallint NOT NULL,
	`due_at` datetime(3) NOT NULL,
	`piece` varchar(60) NOT NULL,
	`part` varchar(60),
	`mode` varchar(60),
	`sort` varchar(120),
	`confirmed` varchar(20),
	`option` varchar(40),
	`no_fault` boolean NOT NULL,
	`minutes` int NOT NULL,
	`price` int,
	`answered` boolean,
	`answered_at` datetime(3),
	`held` varchar(12) NOT NULL,
	`held_at` datetime(3),
	`again_job` char(36),
	CONSTRAINT `outcomes_job` PRIMARY KEY(`job`)
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `complaint_id` varchar(60);--> statement-breakpoint
ALTER TABLE `odds_heads` ADD CONSTRAINT `odds_heads_hash_odds_hash_fk` FOREIGN KEY (`hash`) REFERENCES `odds`(`hash`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `outcomes` ADD CONSTRAINT `outcomes_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `outcomes_unit` ON `outcomes` (`unit`);--> statement-breakpoint
CREATE INDEX `outcomes_due` ON `outcomes` (`held`,`due_at`);--> statement-breakpoint
CREATE INDEX `outcomes_machine` ON `outcomes` (`machine`,`closed_at`);--> statement-breakpoint
CREATE INDEX `outcomes_closed` ON `outcomes` (`closed_at`);--> statement-breakpoint
UPDATE `jobs` JOIN `events` ON `events`.`stream` = `jobs`.`id` AND `events`.`seq` = 1 SET `jobs`.`complaint_id` = JSON_VALUE(`events`.`body`, '$.complaint');
