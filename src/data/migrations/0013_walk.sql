ALTER TABLE `entry` ADD `step` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `answer` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `part` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `note` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `second` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `what` text;