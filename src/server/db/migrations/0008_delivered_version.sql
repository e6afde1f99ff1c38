ALTER TABLE `deliveries` ADD `template_version` integer;--> statement-breakpoint
ALTER TABLE `deliveries` ADD `template_changed` integer DEFAULT false NOT NULL;