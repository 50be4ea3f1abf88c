CREATE TABLE `events` (
	`id` char(36) NOT NULL,
	`job` char(36) NOT NULL,
	`seq` int NOT NULL,
	`v` smallint NOT NULL,
	`actor` varchar(80) NOT NULL,
	`at` datetime(3) NOT NULL,
	`body` json NOT NULL,
	`sent` char(64) NOT NULL,
	CONSTRAINT `events_id` PRIMARY KEY(`id`),
	CONSTRAINT `events_job_seq` UNIQUE(`job`,`seq`)
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` char(36) NOT NULL,
	`unit` char(36) NOT NULL,
	`machine_hash` char(64) NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`last_seq` int NOT NULL,
	`complaint` varchar(400) NOT NULL,
	`actor` varchar(80) NOT NULL,
	`readings` int NOT NULL,
	`result` varchar(400),
	CONSTRAINT `jobs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `machines` (
	`hash` char(64) NOT NULL,
	`machine` varchar(60) NOT NULL,
	`name` varchar(200) NOT NULL,
	`file` longtext NOT NULL,
	`added_at` datetime(3) NOT NULL,
	CONSTRAINT `machines_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `units` (
	`id` char(36) NOT NULL,
	`site` varchar(120) NOT NULL,
	`serial` varchar(60) NOT NULL,
	`machine` varchar(60) NOT NULL,
	CONSTRAINT `units_id` PRIMARY KEY(`id`),
	CONSTRAINT `units_serial` UNIQUE(`machine`,`serial`)
);
--> statement-breakpoint
ALTER TABLE `events` ADD CONSTRAINT `events_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_unit_units_id_fk` FOREIGN KEY (`unit`) REFERENCES `units`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_machine_hash_machines_hash_fk` FOREIGN KEY (`machine_hash`) REFERENCES `machines`(`hash`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `jobs_opened` ON `jobs` (`opened_at`);--> statement-breakpoint
CREATE INDEX `machines_machine` ON `machines` (`machine`,`added_at`);