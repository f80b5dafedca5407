CREATE TABLE `build_kept_list` (
	`build_id` text NOT NULL,
	`list` text NOT NULL,
	`key` text NOT NULL,
	`items` text NOT NULL,
	PRIMARY KEY(`list`, `key`, `build_id`),
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `build_kept_list_of_build` ON `build_kept_list` (`build_id`);