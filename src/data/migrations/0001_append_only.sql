-- Readings, strikes, skips, notes, undos, revisions and gauge cards are only ever added to: the database itself refuses anything else.
CREATE TRIGGER `entry_no_update` BEFORE UPDATE ON `entry` BEGIN SELECT RAISE(ABORT, 'entry is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `entry_no_delete` BEFORE DELETE ON `entry` BEGIN SELECT RAISE(ABORT, 'entry is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `build_revision_no_update` BEFORE UPDATE ON `build_revision` BEGIN SELECT RAISE(ABORT, 'build_revision is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `build_revision_no_delete` BEFORE DELETE ON `build_revision` BEGIN SELECT RAISE(ABORT, 'build_revision is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_card_no_update` BEFORE UPDATE ON `gauge_card` BEGIN SELECT RAISE(ABORT, 'gauge_card is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_card_no_delete` BEFORE DELETE ON `gauge_card` BEGIN SELECT RAISE(ABORT, 'gauge_card is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `build_no_delete` BEFORE DELETE ON `build` BEGIN SELECT RAISE(ABORT, 'a build is never deleted'); END;
