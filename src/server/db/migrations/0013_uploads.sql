CREATE TABLE `arrivals` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`destination` text NOT NULL,
	`name` text NOT NULL,
	`version` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `arrivals_name` ON `arrivals` (`destination`,`name`);--> statement-breakpoint
CREATE TABLE `upload_files` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`upload_id` integer NOT NULL,
	`delivery_file_id` integer NOT NULL,
	`name` text NOT NULL,
	`state` text DEFAULT 'waiting' NOT NULL,
	`message` text,
	FOREIGN KEY (`upload_id`) REFERENCES `uploads`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`delivery_file_id`) REFERENCES `delivery_files`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `upload_files_state` ON `upload_files` (`upload_id`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `upload_files_file` ON `upload_files` (`delivery_file_id`);--> statement-breakpoint
CREATE TABLE `uploads` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`delivery_id` integer NOT NULL,
	`destination` text NOT NULL,
	`replace` integer NOT NULL,
	`state` text DEFAULT 'waiting' NOT NULL,
	`message` text,
	`created_at` integer NOT NULL,
	`finished_at` integer,
	FOREIGN KEY (`delivery_id`) REFERENCES `deliveries`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `uploads_delivery` ON `uploads` (`delivery_id`,`id`);