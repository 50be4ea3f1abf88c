CREATE TABLE `machine_heads` (
	`machine` varchar(60) NOT NULL,
	`hash` char(64) NOT NULL,
	CONSTRAINT `machine_heads_machine` PRIMARY KEY(`machine`)
);
--> statement-breakpoint
ALTER TABLE `machine_heads` ADD CONSTRAINT `machine_heads_hash_machines_hash_fk` FOREIGN KEY (`hash`) REFERENCES `machines`(`hash`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT IGNORE INTO `machine_heads` (`machine`, `hash`) SELECT m.`machine`, m.`hash` FROM `machines` m WHERE m.`added_at` = (SELECT MAX(n.`added_at`) FROM `machines` n WHERE n.`machine` = m.`machine`);
