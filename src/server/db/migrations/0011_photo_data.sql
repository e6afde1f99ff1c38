ALTER TABLE `batches` ADD `fields` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `delivery_photos` ADD `data` text;--> statement-breakpoint
ALTER TABLE `photos` ADD `data` text DEFAULT '{}' NOT NULL;