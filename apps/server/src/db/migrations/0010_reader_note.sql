ALTER TABLE `exposures` ADD `correction` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `exposures` ADD `labels` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `exposures` ADD `noted_by` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `noted_at` integer;