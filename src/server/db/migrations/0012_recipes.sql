ALTER TABLE `delivery_files` ADD `recipe` text;--> statement-breakpoint
ALTER TABLE `delivery_files` ADD `taken_from` integer;