ALTER TABLE `batches` ADD `out_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `batches` SET `finding_count` = NULL, `out_count` = (SELECT count(*) FROM `photos` WHERE `photos`.`batch_id` = `batches`.`id` AND `photos`.`review` = 'out');--> statement-breakpoint
CREATE TRIGGER `photos_out_added` AFTER INSERT ON `photos` WHEN NEW.`review` = 'out' BEGIN
  UPDATE `batches` SET `out_count` = `out_count` + 1 WHERE `id` = NEW.`batch_id`;
END;--> statement-breakpoint
CREATE TRIGGER `photos_out_removed` AFTER DELETE ON `photos` WHEN OLD.`review` = 'out' BEGIN
  UPDATE `batches` SET `out_count` = `out_count` - 1 WHERE `id` = OLD.`batch_id`;
END;--> statement-breakpoint
CREATE TRIGGER `photos_out_changed` AFTER UPDATE OF `review` ON `photos` WHEN (NEW.`review` = 'out') <> (OLD.`review` = 'out') BEGIN
  UPDATE `batches` SET `out_count` = `out_count` + CASE WHEN NEW.`review` = 'out' THEN 1 ELSE -1 END WHERE `id` = NEW.`batch_id`;
END;
