-- What follows from journals is worked out anew by its new version; no row of the old one is read.
DELETE FROM `outcomes`;--> statement-breakpoint
ALTER TABLE `outcomes` ADD `person` varchar(80) NOT NULL;--> statement-breakpoint
ALTER TABLE `outcomes` ADD `cause_words` varchar(400);--> statement-breakpoint
ALTER TABLE `outcomes` ADD `in_vain` json NOT NULL;--> statement-breakpoint
ALTER TABLE `outcomes` ADD `steps` json NOT NULL;