CREATE TABLE `pictures` (
	`sha256` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`added_at` integer NOT NULL
);
