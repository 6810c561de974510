CREATE TABLE `pin_tries` (
	`person_id` text NOT NULL,
	`source` text NOT NULL,
	`failed` integer NOT NULL,
	`last_at` integer NOT NULL,
	PRIMARY KEY(`person_id`, `source`),
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `audit` ADD `hash` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `ended_at` integer;--> statement-breakpoint
CREATE TRIGGER `audit_stays` BEFORE DELETE ON `audit` BEGIN SELECT RAISE(ABORT, 'the trail is only added to'); END;--> statement-breakpoint
CREATE TRIGGER `audit_unchanged` BEFORE UPDATE ON `audit` WHEN OLD.hash <> '' OR NEW.id <> OLD.id OR NEW.at <> OLD.at OR NEW.person <> OLD.person OR NEW.action <> OLD.action OR NEW.subject <> OLD.subject OR NEW.detail <> OLD.detail BEGIN SELECT RAISE(ABORT, 'the trail is only added to'); END;
