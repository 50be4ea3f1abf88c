CREATE TABLE `dictionaries` (
	`machine_hash` char(64) NOT NULL,
	`engine` char(64) NOT NULL,
	`body` mediumblob NOT NULL,
	`built_at` datetime(3) NOT NULL,
	CONSTRAINT `dictionaries_machine_hash_engine_pk` PRIMARY KEY(`machine_hash`,`engine`)
);
--> statement-breakpoint
ALTER TABLE `dictionaries` ADD CONSTRAINT `dictionaries_machine_hash_machines_hash_fk` FOREIGN KEY (`machine_hash`) REFERENCES `machines`(`hash`) ON DELETE no action ON UPDATE no action;