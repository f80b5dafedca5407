CREATE TABLE `build_plan` (
	`build_id` text NOT NULL,
	`day` text NOT NULL,
	`plan` text NOT NULL,
	PRIMARY KEY(`build_id`, `day`),
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `shop_means` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`means` text NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL
);
--> statement-breakpoint
CREATE TRIGGER `shop_means_no_update` BEFORE UPDATE ON `shop_means` BEGIN SELECT RAISE(ABORT, 'shop_means is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `shop_means_no_delete` BEFORE DELETE ON `shop_means` BEGIN SELECT RAISE(ABORT, 'shop_means is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `build_plan_no_update` BEFORE UPDATE ON `build_plan` BEGIN SELECT RAISE(ABORT, 'build_plan is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `build_plan_no_delete` BEFORE DELETE ON `build_plan` BEGIN SELECT RAISE(ABORT, 'build_plan is append-only'); END;
