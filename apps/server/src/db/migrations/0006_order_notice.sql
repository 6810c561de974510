ALTER TABLE `orders` ADD `notice` text;--> statement-breakpoint
UPDATE `orders` SET `notice` = 'called off' WHERE `unusual` LIKE '%"called off by the orderer: stop and ask"%';--> statement-breakpoint
UPDATE `orders` SET `notice` = 'on hold' WHERE `notice` IS NULL AND `unusual` LIKE '%"on hold: ask the orderer"%';--> statement-breakpoint
UPDATE `orders` SET `notice` = 'corrected' WHERE `notice` IS NULL AND `unusual` LIKE '%"corrected by the orderer: read the order again"%';
