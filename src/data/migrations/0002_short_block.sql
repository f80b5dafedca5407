ALTER TABLE `entry` ADD `main` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `part_temp_c` real;--> statement-breakpoint
ALTER TABLE `entry` ADD `gauge_temp_c` real;--> statement-breakpoint
ALTER TABLE `entry` ADD `strokes` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `passed` integer;--> statement-breakpoint
ALTER TABLE `build_revision` ADD `version` integer DEFAULT 1 NOT NULL;