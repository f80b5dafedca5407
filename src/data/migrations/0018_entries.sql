-- An entry is a document: what all kinds have in common stands in columns, all else as it was entered in `body`. The table that had a
-- column for everything stays as `entry_flat`, which nothing can be written to; `flatEntries.ts` copies its rows in the same transaction.
DROP TRIGGER `entry_no_update`;
--> statement-breakpoint
DROP TRIGGER `entry_no_delete`;
--> statement-breakpoint
DROP TRIGGER `entry_no_replace`;
--> statement-breakpoint
DROP INDEX `entry_build`;
--> statement-breakpoint
DROP INDEX `entry_id_unique`;
--> statement-breakpoint
ALTER TABLE `entry` RENAME TO `entry_flat`;
--> statement-breakpoint
CREATE TRIGGER `entry_flat_no_insert` BEFORE INSERT ON `entry_flat` BEGIN SELECT RAISE(ABORT, 'entry_flat is kept as it was'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_flat_no_update` BEFORE UPDATE ON `entry_flat` BEGIN SELECT RAISE(ABORT, 'entry_flat is kept as it was'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_flat_no_delete` BEFORE DELETE ON `entry_flat` BEGIN SELECT RAISE(ABORT, 'entry_flat is kept as it was'); END;
--> statement-breakpoint
CREATE TABLE `entry` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`build_id` text NOT NULL,
	`kind` text NOT NULL,
	`body` text NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`received_at` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `build`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT `entry_body` CHECK (json_valid(`body`))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `entry_id_unique` ON `entry` (`id`);
--> statement-breakpoint
CREATE INDEX `entry_build` ON `entry` (`build_id`,`seq`);
--> statement-breakpoint
CREATE TRIGGER `entry_no_update` BEFORE UPDATE ON `entry` BEGIN SELECT RAISE(ABORT, 'entry is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_no_delete` BEFORE DELETE ON `entry` BEGIN SELECT RAISE(ABORT, 'entry is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_no_replace` BEFORE INSERT ON `entry` WHEN EXISTS (SELECT 1 FROM `entry` WHERE id = NEW.id OR seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'entry: this row is stored already'); END;
