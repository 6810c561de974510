CREATE TABLE `own_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`entry` text NOT NULL,
	`changed_by` text NOT NULL,
	`changed_at` integer NOT NULL
);
