CREATE TABLE `sights` (
	`sha256` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`document` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `batches` ADD `finding_count` integer;--> statement-breakpoint
ALTER TABLE `delivery_photos` ADD `seen` text;--> statement-breakpoint
ALTER TABLE `photos` ADD `hand_subject` text;--> statement-breakpoint
ALTER TABLE `photos` ADD `adjustment` text;--> statement-breakpoint
ALTER TABLE `photos` ADD `review` text DEFAULT 'open' NOT NULL;