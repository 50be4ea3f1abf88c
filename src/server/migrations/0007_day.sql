ALTER TABLE `waits` DROP FOREIGN KEY `waits_job_jobs_id_fk`;
--> statement-breakpoint
ALTER TABLE `jobs` ADD `promised_at` datetime(3);--> statement-breakpoint
ALTER TABLE `jobs` ADD `visit_at` datetime(3);--> statement-breakpoint
ALTER TABLE `jobs` ADD `visit_minutes` smallint;--> statement-breakpoint
ALTER TABLE `waits` ADD `begun` datetime(3);--> statement-breakpoint
ALTER TABLE `waits` ADD `care` varchar(8);--> statement-breakpoint
ALTER TABLE `waits` ADD CONSTRAINT `waits_job_streams_id_fk` FOREIGN KEY (`job`) REFERENCES `streams`(`id`) ON DELETE no action ON UPDATE no action;