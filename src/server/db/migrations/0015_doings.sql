CREATE TABLE `doings` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`person` text,
	`who` text NOT NULL,
	`verb` text NOT NULL,
	`kind` text NOT NULL,
	`subject` integer,
	`name` text NOT NULL,
	`words` text,
	`times` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `doings_subject` ON `doings` (`kind`,`subject`,`id`);--> statement-breakpoint
CREATE INDEX `doings_at` ON `doings` (`at`,`id`);--> statement-breakpoint
CREATE INDEX `doings_who` ON `doings` (`who`,`at`);