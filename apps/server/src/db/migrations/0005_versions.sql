ALTER TABLE `departments` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `departments` ADD `changed_by` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `verdict_at` integer;--> statement-breakpoint
ALTER TABLE `exposures` ADD `made_with` text;--> statement-breakpoint
ALTER TABLE `rooms` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `rooms` ADD `changed_by` text;--> statement-breakpoint
ALTER TABLE `settings` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `settings` ADD `changed_by` text;