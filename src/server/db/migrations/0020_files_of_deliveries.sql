CREATE INDEX `delivery_files_delivery` ON `delivery_files` (`delivery_id`,`id`);--> statement-breakpoint
CREATE INDEX `delivery_photos_delivery` ON `delivery_photos` (`delivery_id`,`id`);