DROP INDEX `photos_name`;--> statement-breakpoint
ALTER TABLE `photos` ADD `name_key` text DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `photos_name` ON `photos` (`batch_id`,`name_key`,`name`,`id`);