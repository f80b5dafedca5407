CREATE TABLE `gauge_press` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`name` text NOT NULL,
	`value` real NOT NULL,
	`upper` real,
	`unit` text NOT NULL,
	`sequence` integer NOT NULL,
	`text` text NOT NULL,
	`line` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `gauge_press_id_unique` ON `gauge_press` (`id`);--> statement-breakpoint
CREATE INDEX `press_name` ON `gauge_press` (`name`,`seq`);