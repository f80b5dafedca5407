ALTER TABLE `entry` ADD `valve` text;--> statement-breakpoint
ALTER TABLE `entry` ADD `turned_back` integer;