CREATE TABLE `batches` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`draft` text NOT NULL,
	`revision` integer DEFAULT 0 NOT NULL,
	`template_version_id` integer,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`template_version_id`) REFERENCES `template_versions`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE TABLE `deliveries` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`batch_id` integer,
	`batch_name` text NOT NULL,
	`document` text NOT NULL,
	`state` text DEFAULT 'waiting' NOT NULL,
	`message` text,
	`photo_count` integer NOT NULL,
	`file_count` integer NOT NULL,
	`created_at` integer NOT NULL,
	`finished_at` integer,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `deliveries_batch` ON `deliveries` (`batch_id`,`id`);--> statement-breakpoint
CREATE TABLE `delivery_files` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`delivery_id` integer NOT NULL,
	`delivery_photo_id` integer NOT NULL,
	`output` text NOT NULL,
	`output_index` integer NOT NULL,
	`file` text NOT NULL,
	`width` integer,
	`height` integer,
	`bytes` integer,
	`sha256` text,
	FOREIGN KEY (`delivery_id`) REFERENCES `deliveries`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`delivery_photo_id`) REFERENCES `delivery_photos`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `delivery_files_name` ON `delivery_files` (`delivery_id`,`file`);--> statement-breakpoint
CREATE INDEX `delivery_files_photo` ON `delivery_files` (`delivery_photo_id`);--> statement-breakpoint
CREATE TABLE `delivery_photos` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`delivery_id` integer NOT NULL,
	`photo` text NOT NULL,
	`sha256` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`has_alpha` integer NOT NULL,
	`state` text DEFAULT 'waiting' NOT NULL,
	`error` text,
	FOREIGN KEY (`delivery_id`) REFERENCES `deliveries`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `delivery_photos_state` ON `delivery_photos` (`delivery_id`,`state`,`id`);--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`subject` integer NOT NULL,
	`state` text DEFAULT 'waiting' NOT NULL,
	`created_at` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `jobs_state` ON `jobs` (`state`,`id`);--> statement-breakpoint
CREATE UNIQUE INDEX `jobs_subject` ON `jobs` (`kind`,`subject`);--> statement-breakpoint
CREATE TABLE `photos` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`batch_id` integer NOT NULL,
	`name` text NOT NULL,
	`sha256` text NOT NULL,
	`bytes` integer NOT NULL,
	`format` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`has_alpha` integer NOT NULL,
	`added_at` integer NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `photos_content` ON `photos` (`batch_id`,`sha256`);--> statement-breakpoint
CREATE INDEX `photos_name` ON `photos` (`batch_id`,`name`,`id`);--> statement-breakpoint
CREATE TABLE `refusals` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`batch_id` integer NOT NULL,
	`name` text NOT NULL,
	`code` text NOT NULL,
	`message` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `refusals_batch` ON `refusals` (`batch_id`,`id`);--> statement-breakpoint
CREATE TABLE `template_versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`template_id` integer NOT NULL,
	`version` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`template_id`) REFERENCES `templates`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `template_versions_number` ON `template_versions` (`template_id`,`version`);--> statement-breakpoint
CREATE TABLE `templates` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`created_at` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `templates_name_unique` ON `templates` (`name`);