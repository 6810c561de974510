ALTER TABLE `exposures` ADD `measured` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `measured_at` integer;