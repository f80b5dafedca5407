CREATE TABLE `build_kept_list` (
	`build_id` text NOT NULL,
	`list` text NOT NULL,
	`items` text NOT NULL,
	PRIMARY KEY(`list`, `build_id`),
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
