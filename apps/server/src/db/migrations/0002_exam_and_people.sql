CREATE TABLE `audit` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`person` text NOT NULL,
	`action` text NOT NULL,
	`subject` text NOT NULL,
	`detail` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `audit_subject` ON `audit` (`subject`);--> statement-breakpoint
CREATE TABLE `departments` (
	`id` text PRIMARY KEY NOT NULL,
	`department` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`pin_hash` text NOT NULL,
	`failed` integer DEFAULT 0 NOT NULL,
	`locked_until` integer,
	`demo_pin` text
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`started_at` integer NOT NULL,
	`seen_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `exams` ADD `end_reason` text;--> statement-breakpoint
ALTER TABLE `exams` ADD `joins` text;--> statement-breakpoint
ALTER TABLE `exams` ADD `answers` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `device_at` integer;--> statement-breakpoint
ALTER TABLE `exposures` ADD `verdict` text;--> statement-breakpoint
ALTER TABLE `exposures` ADD `cause` text;--> statement-breakpoint
ALTER TABLE `orders` ADD `reference` text;--> statement-breakpoint
ALTER TABLE `orders` ADD `plan_version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `orders` ADD `plan_by` text;--> statement-breakpoint
CREATE UNIQUE INDEX `orders_reference` ON `orders` (`reference`);