CREATE TRIGGER `gauge_press_no_update` BEFORE UPDATE ON `gauge_press` BEGIN SELECT RAISE(ABORT, 'gauge_press is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_press_no_delete` BEFORE DELETE ON `gauge_press` BEGIN SELECT RAISE(ABORT, 'gauge_press is append-only'); END;
