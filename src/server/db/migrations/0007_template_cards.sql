ALTER TABLE `template_versions` ADD `note` text;--> statement-breakpoint
ALTER TABLE `templates` ADD `tags` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `templates` ADD `archived_at` integer;