CREATE TABLE `gauge_hold` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`name` text NOT NULL,
	`session` text,
	`words` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `gauge_hold_name` ON `gauge_hold` (`name`,`seq`);--> statement-breakpoint
ALTER TABLE `build` ADD `put_away` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `entry` ADD `plus_minus` real;--> statement-breakpoint
ALTER TABLE `entry` ADD `settles` text;--> statement-breakpoint
ALTER TABLE `gauge_press` ADD `session` text;