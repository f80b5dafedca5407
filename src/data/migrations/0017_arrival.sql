ALTER TABLE `entry` ADD `device_at` text;
--> statement-breakpoint
-- REPLACE deletes the row in its way without asking the triggers that guard deletion: a row that is stored already is refused before.
CREATE TRIGGER `entry_no_replace` BEFORE INSERT ON `entry` WHEN EXISTS (SELECT 1 FROM `entry` WHERE id = NEW.id OR seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'entry: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `build_revision_no_replace` BEFORE INSERT ON `build_revision` WHEN EXISTS (SELECT 1 FROM `build_revision` WHERE build_id = NEW.build_id AND number = NEW.number)
BEGIN SELECT RAISE(ABORT, 'build_revision: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_card_no_replace` BEFORE INSERT ON `gauge_card` WHEN EXISTS (SELECT 1 FROM `gauge_card` WHERE id = NEW.id)
BEGIN SELECT RAISE(ABORT, 'gauge_card: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `photo_no_replace` BEFORE INSERT ON `photo` WHEN EXISTS (SELECT 1 FROM `photo` WHERE id = NEW.id OR seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'photo: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_press_no_replace` BEFORE INSERT ON `gauge_press` WHEN EXISTS (SELECT 1 FROM `gauge_press` WHERE id = NEW.id OR seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'gauge_press: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `gauge_hold_no_replace` BEFORE INSERT ON `gauge_hold` WHEN EXISTS (SELECT 1 FROM `gauge_hold` WHERE seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'gauge_hold: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `shop_means_no_replace` BEFORE INSERT ON `shop_means` WHEN EXISTS (SELECT 1 FROM `shop_means` WHERE seq = NEW.seq)
BEGIN SELECT RAISE(ABORT, 'shop_means: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `build_plan_no_replace` BEFORE INSERT ON `build_plan` WHEN EXISTS (SELECT 1 FROM `build_plan` WHERE build_id = NEW.build_id AND day = NEW.day)
BEGIN SELECT RAISE(ABORT, 'build_plan: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `build_no_replace` BEFORE INSERT ON `build` WHEN EXISTS (SELECT 1 FROM `build` WHERE id = NEW.id)
BEGIN SELECT RAISE(ABORT, 'build: this row is stored already'); END;
--> statement-breakpoint
CREATE TRIGGER `build_no_rewrite` BEFORE UPDATE OF `id`, `created_at` ON `build` BEGIN SELECT RAISE(ABORT, 'a build keeps its id and the day it was begun'); END;
