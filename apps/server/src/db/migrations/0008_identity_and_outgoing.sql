CREATE TABLE `outgoing` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`exam_id` text NOT NULL,
	`made_at` integer NOT NULL,
	`next_at` integer NOT NULL,
	`tries` integer DEFAULT 0 NOT NULL,
	`sent_at` integer,
	`why` text,
	FOREIGN KEY (`exam_id`) REFERENCES `exams`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `outgoing_due` ON `outgoing` (`sent_at`,`next_at`);--> statement-breakpoint
CREATE UNIQUE INDEX `outgoing_once` ON `outgoing` (`exam_id`,`kind`);--> statement-breakpoint
DROP INDEX `orders_reference`;--> statement-breakpoint
ALTER TABLE `orders` ADD `system` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `orders` ADD `requester` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `orders` ADD `note` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `orders` ADD `scheduled` text;--> statement-breakpoint
CREATE UNIQUE INDEX `orders_number` ON `orders` (`reference`,`system`);--> statement-breakpoint
ALTER TABLE `patients` ADD `number` text;--> statement-breakpoint
ALTER TABLE `patients` ADD `issuer` text DEFAULT '' NOT NULL;