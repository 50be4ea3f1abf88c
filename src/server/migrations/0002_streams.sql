CREATE TABLE `streams` (
	`id` char(36) NOT NULL,
	`kind` varchar(4) NOT NULL,
	`last_seq` int NOT NULL,
	CONSTRAINT `streams_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `events` DROP FOREIGN KEY `events_job_jobs_id_fk`;
--> statement-breakpoint
ALTER TABLE `events` DROP INDEX `events_job_seq`;
--> statement-breakpoint
ALTER TABLE `jobs` DROP FOREIGN KEY `jobs_unit_units_id_fk`;
--> statement-breakpoint
CREATE TEMPORARY TABLE `new_ids` (`old` char(36) NOT NULL PRIMARY KEY, `id` char(36) NOT NULL) SELECT `u`.`id` AS `old`, UUID() AS `id` FROM `units` `u` INNER JOIN `jobs` `j` ON `j`.`id` = `u`.`id`;
--> statement-breakpoint
UPDATE `jobs` `j` INNER JOIN `new_ids` `n` ON `j`.`unit` = `n`.`old` SET `j`.`unit` = `n`.`id`;
--> statement-breakpoint
UPDATE `units` `u` INNER JOIN `new_ids` `n` ON `u`.`id` = `n`.`old` SET `u`.`id` = `n`.`id`;
--> statement-breakpoint
DROP TEMPORARY TABLE `new_ids`;
--> statement-breakpoint
INSERT INTO `streams` (`id`, `kind`, `last_seq`) SELECT `id`, 'job', `last_seq` FROM `jobs`;
--> statement-breakpoint
INSERT INTO `streams` (`id`, `kind`, `last_seq`) SELECT `id`, 'unit', 1 FROM `units`;
--> statement-breakpoint
INSERT INTO `streams` (`id`, `kind`, `last_seq`) VALUES ('00000000-0000-4000-8000-000000000001', 'shop', 0);
--> statement-breakpoint
ALTER TABLE `events` CHANGE `job` `stream` char(36) NOT NULL, ADD `type` varchar(40) NOT NULL DEFAULT '' AFTER `v`;
--> statement-breakpoint
UPDATE `events` SET `type` = JSON_UNQUOTE(JSON_EXTRACT(`body`, '$.type'));
--> statement-breakpoint
ALTER TABLE `events` MODIFY `type` varchar(40) NOT NULL, ADD CONSTRAINT `events_stream_seq` UNIQUE(`stream`, `seq`), ADD INDEX `events_type` (`type`, `stream`), ADD CONSTRAINT `events_stream_streams_id_fk` FOREIGN KEY (`stream`) REFERENCES `streams`(`id`);
--> statement-breakpoint
INSERT INTO `events` (`id`, `stream`, `seq`, `v`, `type`, `actor`, `at`, `body`, `sent`) SELECT UUID(), `id`, 1, 1, 'registered', 'Unzo', NOW(3), JSON_OBJECT('type', 'registered', 'site', `site`, 'machine', `machine`, 'serial', `serial`, 'productCode', NULL, 'productIndex', NULL), SHA2(`id`, 256) FROM `units`;
--> statement-breakpoint
ALTER TABLE `units` DROP INDEX `units_serial`, MODIFY `serial` varchar(60), ADD `serial_key` varchar(60) AFTER `serial`, ADD `product_code` varchar(60), ADD `product_index` varchar(20), ADD `merged_into` char(36), ADD `setup` varchar(60), ADD `powered` boolean, ADD `stood_at` datetime(3), ADD `stood_by` varchar(80), ADD `stood_job` char(36);
--> statement-breakpoint
UPDATE `units` SET `serial_key` = LOWER(REPLACE(`serial`, ' ', ''));
--> statement-breakpoint
UPDATE `units` `u` INNER JOIN (SELECT `machine`, `serial_key`, MIN(`id`) AS `first` FROM `units` GROUP BY `machine`, `serial_key` HAVING COUNT(*) > 1) `twice` ON `u`.`machine` = `twice`.`machine` AND `u`.`serial_key` = `twice`.`serial_key` AND `u`.`id` <> `twice`.`first` SET `u`.`serial_key` = NULL;
--> statement-breakpoint
ALTER TABLE `units` ADD CONSTRAINT `units_serial` UNIQUE(`machine`, `serial_key`), ADD INDEX `units_site` (`site`, `id`), ADD INDEX `units_key` (`serial_key`);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `kind` varchar(12) NOT NULL DEFAULT 'repair' AFTER `machine_hash`, ADD `closed_at` datetime(3) AFTER `opened_at`, MODIFY `complaint` varchar(400), DROP `last_seq`, DROP INDEX `jobs_opened`, ADD INDEX `jobs_unit` (`unit`, `opened_at`), ADD CONSTRAINT `jobs_unit_units_id_fk` FOREIGN KEY (`unit`) REFERENCES `units`(`id`), ADD CONSTRAINT `jobs_id_streams_id_fk` FOREIGN KEY (`id`) REFERENCES `streams`(`id`);
--> statement-breakpoint
UPDATE `jobs` `j` SET `closed_at` = (SELECT MIN(`e`.`at`) FROM `events` `e` WHERE `e`.`stream` = `j`.`id` AND `e`.`type` = 'called');
--> statement-breakpoint
ALTER TABLE `jobs` MODIFY `kind` varchar(12) NOT NULL, ADD INDEX `jobs_closed` (`closed_at`, `opened_at`);
--> statement-breakpoint
ALTER TABLE `machine_heads` ADD `origin` varchar(12), ADD `base` char(64), ADD `offered` char(64), ADD CONSTRAINT `machine_heads_base_machines_hash_fk` FOREIGN KEY (`base`) REFERENCES `machines`(`hash`), ADD CONSTRAINT `machine_heads_offered_machines_hash_fk` FOREIGN KEY (`offered`) REFERENCES `machines`(`hash`);
--> statement-breakpoint
ALTER TABLE `machines` ADD `summary` json;
--> statement-breakpoint
CREATE TABLE `waits` (
	`job` char(36) NOT NULL,
	`wait` varchar(80) NOT NULL,
	`words` varchar(200) NOT NULL,
	`piece` varchar(60),
	`due` datetime(3) NOT NULL,
	CONSTRAINT `waits_job_wait_pk` PRIMARY KEY(`job`,`wait`),
	INDEX `waits_due` (`due`),
	CONSTRAINT `waits_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`)
);
--> statement-breakpoint
INSERT IGNORE INTO `waits` (`job`, `wait`, `words`, `piece`, `due`) SELECT `e`.`stream`, JSON_VALUE(`e`.`body`, '$.wait'), JSON_VALUE(`e`.`body`, '$.words'), JSON_VALUE(`e`.`body`, '$.piece'), `e`.`at` + INTERVAL JSON_VALUE(`e`.`body`, '$.seconds') SECOND FROM `events` `e` INNER JOIN `jobs` `j` ON `j`.`id` = `e`.`stream` AND `j`.`closed_at` IS NULL WHERE `e`.`type` = 'waiting' AND NOT EXISTS (SELECT 1 FROM `events` `l` WHERE `l`.`stream` = `e`.`stream` AND `l`.`seq` > `e`.`seq` AND `l`.`type` IN ('waiting', 'waited') AND JSON_VALUE(`l`.`body`, '$.wait') = JSON_VALUE(`e`.`body`, '$.wait'));
--> statement-breakpoint
CREATE TABLE `learned_times` (
	`machine` varchar(60) NOT NULL,
	`times` json NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `learned_times_machine` PRIMARY KEY(`machine`)
);
--> statement-breakpoint
CREATE TABLE `photos` (
	`hash` char(64) NOT NULL,
	`type` varchar(20) NOT NULL,
	`size` int NOT NULL,
	`content` mediumblob NOT NULL,
	`added_at` datetime(3) NOT NULL,
	`used` boolean NOT NULL,
	CONSTRAINT `photos_hash` PRIMARY KEY(`hash`),
	INDEX `photos_used` (`used`, `added_at`),
	INDEX `photos_size` (`size`)
);
