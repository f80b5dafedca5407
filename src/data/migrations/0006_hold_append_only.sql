CREATE TRIGGER `gauge_hold_no_update` BEFORE UPDATE ON `gauge_hold` BEGIN SELECT RAISE(ABORT, 'gauge_hold is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_hold_no_delete` BEFORE DELETE ON `gauge_hold` BEGIN SELECT RAISE(ABORT, 'gauge_hold is append-only'); END;
