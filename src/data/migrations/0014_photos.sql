CREATE TABLE `photo` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`build_id` text NOT NULL,
	`step` text NOT NULL,
	`bytes` blob NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`received_at` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `photo_id_unique` ON `photo` (`id`);--> statement-breakpoint
CREATE INDEX `photo_build` ON `photo` (`build_id`,`seq`);--> statement-breakpoint
CREATE TRIGGER `photo_no_update` BEFORE UPDATE ON `photo` BEGIN SELECT RAISE(ABORT, 'photo is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `photo_no_delete` BEFORE DELETE ON `photo` BEGIN SELECT RAISE(ABORT, 'photo is append-only'); END;
