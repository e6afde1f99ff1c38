ALTER TABLE `batches` ADD `outline` text;--> statement-breakpoint
ALTER TABLE `batches` ADD `saved_by` text;--> statement-breakpoint
ALTER TABLE `batches` ADD `saved_change` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `batches` ADD `photo_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `batches` ADD `changes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `batches` ADD `strip` text;--> statement-breakpoint
ALTER TABLE `deliveries` ADD `outline` text;--> statement-breakpoint
ALTER TABLE `delivery_files` ADD `findings` text;--> statement-breakpoint
ALTER TABLE `delivery_photos` ADD `placed` text;--> statement-breakpoint
ALTER TABLE `template_versions` ADD `outline` text;--> statement-breakpoint
CREATE INDEX `photos_picture` ON `photos` (`sha256`);
--> statement-breakpoint
UPDATE `batches` SET `finding_count` = NULL, `photo_count` = (SELECT count(*) FROM `photos` WHERE `photos`.`batch_id` = `batches`.`id`);--> statement-breakpoint
CREATE TRIGGER `photos_added` AFTER INSERT ON `photos` BEGIN
  UPDATE `batches` SET `photo_count` = `photo_count` + 1, `changes` = `changes` + 1, `strip` = NULL, `finding_count` = NULL WHERE `id` = NEW.`batch_id`;
END;--> statement-breakpoint
CREATE TRIGGER `photos_removed` AFTER DELETE ON `photos` BEGIN
  UPDATE `batches` SET `photo_count` = `photo_count` - 1, `changes` = `changes` + 1, `strip` = NULL, `finding_count` = NULL WHERE `id` = OLD.`batch_id`;
END;--> statement-breakpoint
CREATE TRIGGER `photos_changed` AFTER UPDATE ON `photos` BEGIN
  UPDATE `batches` SET `changes` = `changes` + 1, `strip` = NULL, `finding_count` = NULL WHERE `id` = NEW.`batch_id`;
END;
