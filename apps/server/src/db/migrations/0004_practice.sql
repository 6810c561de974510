CREATE TABLE `practice` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`scenario_id` text NOT NULL,
	`answer` text NOT NULL,
	`share` real NOT NULL,
	`seconds` integer NOT NULL,
	`at` integer NOT NULL,
	`memory` text NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `practice_person` ON `practice` (`person_id`,`at`);--> statement-breakpoint
CREATE TABLE `sign_offs` (
	`student_id` text NOT NULL,
	`projection_id` text NOT NULL,
	`patient_type` text NOT NULL,
	`signed_by` text NOT NULL,
	`signed_at` integer NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sign_offs_one` ON `sign_offs` (`student_id`,`projection_id`,`patient_type`);