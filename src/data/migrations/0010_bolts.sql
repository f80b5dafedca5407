ALTER TABLE `entry` ADD `bolt` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `cycle` integer;--> statement-breakpoint
ALTER TABLE `entry` ADD `torque` real;