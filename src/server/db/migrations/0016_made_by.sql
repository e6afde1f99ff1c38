ALTER TABLE `deliveries` ADD `made_by` text;--> statement-breakpoint
ALTER TABLE `template_versions` ADD `made_by` text;