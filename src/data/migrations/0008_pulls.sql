ALTER TABLE `entry` ADD `joint` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `run` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `did` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `way` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `device` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `stage` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `fastener` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `angle_deg` real;--> statement-breakpoint
ALTER TABLE `entry` ADD `wrench` text;