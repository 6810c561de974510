CREATE TABLE `exams` (
	`id` text PRIMARY KEY NOT NULL,
	`order_id` text NOT NULL,
	`performed_by` text NOT NULL,
	`started_at` integer NOT NULL,
	`finished_at` integer,
	FOREIGN KEY (`order_id`) REFERENCES `orders`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `exams_order` ON `exams` (`order_id`);--> statement-breakpoint
CREATE TABLE `exposures` (
	`id` text PRIMARY KEY NOT NULL,
	`exam_id` text NOT NULL,
	`projection_id` text NOT NULL,
	`side` text,
	`request` text NOT NULL,
	`setup` text NOT NULL,
	`exposure_index` integer NOT NULL,
	`target_index` integer NOT NULL,
	`performed_by` text NOT NULL,
	`exposed_at` integer NOT NULL,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`exam_id`) REFERENCES `exams`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `exposures_time` ON `exposures` (`exposed_at`);--> statement-breakpoint
CREATE INDEX `exposures_exam` ON `exposures` (`exam_id`);--> statement-breakpoint
CREATE TABLE `orders` (
	`id` text PRIMARY KEY NOT NULL,
	`patient_id` text NOT NULL,
	`exam` text NOT NULL,
	`side` text,
	`reason` text NOT NULL,
	`urgency` text NOT NULL,
	`ward` text NOT NULL,
	`room_id` text NOT NULL,
	`projections` text NOT NULL,
	`situation` text NOT NULL,
	`unusual` text NOT NULL,
	`ordered_at` integer NOT NULL,
	`state` text NOT NULL,
	FOREIGN KEY (`patient_id`) REFERENCES `patients`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`room_id`) REFERENCES `rooms`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `orders_state` ON `orders` (`state`,`ordered_at`);--> statement-breakpoint
CREATE TABLE `patients` (
	`id` text PRIMARY KEY NOT NULL,
	`initials` text NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `rooms` (
	`id` text PRIMARY KEY NOT NULL,
	`room` text NOT NULL,
	`position` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`id` text PRIMARY KEY NOT NULL,
	`rules` text NOT NULL
);
