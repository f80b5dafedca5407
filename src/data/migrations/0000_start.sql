CREATE TABLE `build` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at` text NOT NULL,
	`touched_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `build_touched` ON `build` (`touched_at`);--> statement-breakpoint
CREATE TABLE `entry` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`build_id` text NOT NULL,
	`kind` text NOT NULL,
	`characteristic` text,
	`cylinder` integer,
	`bank` text,
	`spot` text,
	`repeat` integer,
	`value` real,
	`upper` real,
	`unit` text,
	`as_typed` text,
	`gauge` text,
	`supersedes` text,
	`target` text,
	`words` text,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`received_at` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`gauge`) REFERENCES `gauge_card`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `entry_id_unique` ON `entry` (`id`);--> statement-breakpoint
CREATE INDEX `entry_build` ON `entry` (`build_id`,`seq`);--> statement-breakpoint
CREATE TABLE `gauge_card` (
	`id` text PRIMARY KEY NOT NULL,
	`gauge` text NOT NULL,
	`card` text NOT NULL,
	`since` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `build_revision` (
	`build_id` text NOT NULL,
	`number` integer NOT NULL,
	`spec` text NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`reason` text NOT NULL,
	PRIMARY KEY(`build_id`, `number`),
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `build_summary` (
	`build_id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`last_seq` integer NOT NULL,
	`program` text NOT NULL,
	`summary` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
