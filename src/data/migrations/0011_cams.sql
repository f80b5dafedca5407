ALTER TABLE `entry` ADD `cam` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `degree` real;