BEGIN TRANSACTION;
CREATE TABLE addresses (
	slug VARCHAR NOT NULL, 
	PRIMARY KEY (slug)
);
INSERT INTO "addresses" VALUES('magpie-terrace');
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0005');
CREATE TABLE counters (
	name VARCHAR NOT NULL, 
	value INTEGER NOT NULL, 
	PRIMARY KEY (name)
);
INSERT INTO "counters" VALUES('version',28928037);
CREATE TABLE entries (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	ident VARCHAR NOT NULL, 
	day DATE NOT NULL, 
	kind VARCHAR NOT NULL, 
	season VARCHAR, 
	place VARCHAR, 
	planting VARCHAR, 
	crop VARCHAR, 
	entered_at DATETIME NOT NULL, 
	removed_at DATETIME, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, ident), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE
);
INSERT INTO "entries" VALUES(1,1,'e1','2027-06-01','picked','2027',NULL,'p1',NULL,'2026-12-01 00:37:10.819289',NULL,'{"id": "e1", "day": "2027-06-01", "kind": "picked", "season": "2027", "planting": "p1", "kg": 0.4}');
INSERT INTO "entries" VALUES(2,1,'e2','2027-06-09','note',NULL,NULL,NULL,NULL,'2026-12-01 00:37:10.823348',NULL,'{"id": "e2", "day": "2027-06-09", "kind": "note", "text": "first strawberries"}');
INSERT INTO "entries" VALUES(3,1,'picked-4','2027-07-02','picked',NULL,NULL,NULL,'carrot','2026-12-01 19:33:57.334562',NULL,'{"id": "picked-4", "day": "2027-07-02", "kind": "picked", "crop": "carrot", "kg": 0.8, "tags": ["evening"]}');
INSERT INTO "entries" VALUES(4,1,'gone-5','2027-07-03','note',NULL,NULL,NULL,NULL,'2026-12-01 19:33:57.345507','2026-12-01 19:33:57.352260','{"id": "gone-5", "day": "2027-07-03", "kind": "note", "text": "gone"}');
CREATE TABLE gardens (
	pk INTEGER NOT NULL, 
	slug VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	document JSON NOT NULL, 
	version INTEGER NOT NULL, 
	head INTEGER NOT NULL, removed_at DATETIME, 
	PRIMARY KEY (pk)
);
INSERT INTO "gardens" VALUES(1,'magpie-terrace','Magpie Terrace','{"format": "ample-rows/plan", "version": 1, "garden": {"name": "Magpie Terrace", "latitude": -37.6, "longitude": 144.3, "utc_offset_hours": 10.0, "elevation_m": 80.0, "last_frost": "2027-09-05", "first_frost": "2028-06-05", "frost_spread_days": 14.0, "seed": 7, "climate": {"tmin_c": [14.5, 14.8, 13.4, 10.9, 8.8, 7.0, 6.2, 6.8, 8.2, 9.6, 11.3, 12.9], "tmax_c": [26.4, 26.6, 24.2, 20.6, 17.0, 14.3, 13.7, 15.1, 17.5, 20.0, 22.3, 24.5], "rain_mm": [46.0, 46.0, 50.0, 55.0, 55.0, 50.0, 48.0, 50.0, 55.0, 62.0, 60.0, 60.0]}, "policies": {"depth": "shallow", "layout": "merged"}, "household": {"people": 2.0, "hours_per_week": 2.0, "prices": [{"crop": "lettuce", "per_kg": 9.0}, {"crop": "tomato", "per_kg": 6.0}], "wants": [{"crop": "lettuce", "kg_per_year": 6.0, "months": [7, 8, 9, 10, 11, 2, 3, 4]}, {"crop": "tomato-bush", "kg_per_year": 10.0}]}}, "site": {"outline_m": [[0.0, 0.0], [5.6, 0.0], [5.6, 3.4], [0.0, 3.4]], "north_deg": 0.0, "obstacles": [{"name": "own flat", "kind": "house", "outline_m": [[-3.0, -6.0], [9.0, -6.0], [9.0, 0.0], [-3.0, 0.0]], "height_m": 3.0}, {"name": "parapet below the rail", "kind": "wall", "outline_m": [[0.0, 3.4], [5.6, 3.4], [5.6, 3.5], [0.0, 3.5]], "height_m": 0.4}, {"name": "west screen", "kind": "fence", "outline_m": [[-0.1, 0.0], [0.0, 0.0], [0.0, 3.4], [-0.1, 3.4]], "height_m": 1.8}, {"name": "tower next door", "kind": "house", "outline_m": [[12.0, -4.0], [18.0, -4.0], [18.0, 5.0], [12.0, 5.0]], "height_m": 9.0}], "taps": [{"at_m": [0.3, 0.2], "name": "tap", "hose_m": 6.0, "flow_l_per_min": 8.0}], "door_m": [2.8, 0.0]}, "soil": {"bags": [{"litres": 25.0, "price": 7.0}, {"litres": 50.0, "price": 12.0}, {"litres": 70.0, "price": 15.5}, {"litres": 70.0, "price": 24.0, "name": "pressed bale, opens to 120 L", "opened_litres": 120.0}], "recipes": [{"id": "rail-mix", "name": "light rail mix", "parts": [{"of": "composted bark", "parts": 3.0}, {"of": "coconut fibre", "parts": 3.0}, {"of": "worm compost", "parts": 2.0}, {"of": "perlite", "parts": 2.0}]}], "ingredients": [{"name": "coconut fibre", "price_per_litre": 0.11}, {"name": "composted bark", "price_per_litre": 0.16}, {"name": "worm compost", "litres": 20.0, "price_per_litre": 0.6}, {"name": "perlite", "price_per_litre": 0.35}], "feeding": "mix"}, "places": [], "plantings": []}',4,1,NULL);
CREATE TABLE places (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	ident VARCHAR NOT NULL, 
	ordinal INTEGER NOT NULL, 
	kind VARCHAR NOT NULL, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, ident), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE
);
INSERT INTO "places" VALUES(1,1,'trough',0,'container','{"id": "trough", "name": "Rail trough", "kind": "container", "shape": {"type": "rectangle", "width_cm": 35.0, "length_cm": 110.0}, "wall_height_cm": 32.0, "rim_gap_cm": 3.0, "cell_cm": 35.0, "at_m": [0.5, 3.2], "heading_deg": 90.0, "material": "metal", "stage": "standing", "mix": "rail-mix", "floor": "balcony", "rests": [{"cells": ["A1", "A2", "A3", "A4"], "since": "2027-06-01", "until": "2027-06-20", "reason": "emptied for new mix"}, {"cells": ["A4"], "since": "2027-10-10", "until": "2028-02-20", "reason": "the watering can stands here in summer"}, {"cells": ["A1", "A2", "A3", "A4"], "since": "2028-05-10", "until": "2028-06-02", "reason": "emptied for new mix"}]}');
INSERT INTO "places" VALUES(2,1,'crate',1,'container','{"id": "crate", "name": "Salad crate", "kind": "container", "shape": {"type": "rectangle", "width_cm": 62.0, "length_cm": 93.0}, "wall_height_cm": 26.0, "rim_gap_cm": 3.0, "cell_cm": 31.0, "layout": "single-squares", "at_m": [2.2, 2.7], "heading_deg": 90.0, "material": "wood", "floor": "balcony", "rests": [{"cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "since": "2027-06-01", "until": "2027-06-15", "reason": "emptied for new mix"}, {"cells": "all", "since": "2028-05-10", "until": "2028-06-02", "reason": "emptied for new mix"}]}');
INSERT INTO "places" VALUES(3,1,'tall',2,'container','{"id": "tall", "name": "Tall box", "kind": "container", "shape": {"type": "rectangle", "width_cm": 60.0, "length_cm": 90.0}, "wall_height_cm": 45.0, "rim_gap_cm": 4.0, "cell_cm": 30.0, "at_m": [5.3, 0.5], "heading_deg": 270.0, "material": "wood", "floor": "balcony", "rests": [{"cells": ["A1", "A2", "A3"], "since": "2027-06-01", "until": "2027-06-25", "reason": "emptied for new mix"}], "supports": []}');
INSERT INTO "places" VALUES(4,1,'pot-herb',3,'container','{"id": "pot-herb", "name": "Herb pot", "kind": "container", "shape": {"type": "circle", "diameter_cm": 38.0, "bottom_diameter_cm": 29.0}, "wall_height_cm": 33.0, "rim_gap_cm": 3.0, "at_m": [4.2, 2.9], "material": "clay", "floor": "balcony", "stays": [{"since": "2028-06-01", "until": "2028-09-01", "at_m": [3.6, 0.6]}], "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-07-01", "reason": "in the porch, dry, for the cold weeks"}, {"cells": "all", "since": "2028-02-27", "until": "2028-03-20", "reason": "emptied for new mix"}]}');
INSERT INTO "places" VALUES(5,1,'pot-flower',4,'container','{"id": "pot-flower", "name": "Flower pot", "kind": "container", "shape": {"type": "circle", "diameter_cm": 34.0, "bottom_diameter_cm": 27.0}, "wall_height_cm": 29.0, "rim_gap_cm": 2.0, "at_m": [0.5, 1.5], "material": "plastic", "floor": "balcony"}');
INSERT INTO "places" VALUES(6,1,'pot-1',5,'container','{"id": "pot-1", "name": "Pot 1", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [3.8, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-10-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-20", "until": "2028-06-02", "reason": "washed out and put away dry"}]}');
INSERT INTO "places" VALUES(7,1,'pot-2',6,'container','{"id": "pot-2", "name": "Pot 2", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [4.2, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-10-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-20", "until": "2028-06-02", "reason": "washed out and put away dry"}]}');
INSERT INTO "places" VALUES(8,1,'pot-3',7,'container','{"id": "pot-3", "name": "Pot 3", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [4.6, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-09-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-12", "until": "2028-06-02", "reason": "washed out and put away dry"}]}');
CREATE TABLE plantings (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	place_pk INTEGER NOT NULL, 
	ident VARCHAR NOT NULL, 
	ordinal INTEGER NOT NULL, 
	crop VARCHAR NOT NULL, 
	start_date DATE NOT NULL, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, ident), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE, 
	FOREIGN KEY(place_pk) REFERENCES places (pk) ON DELETE CASCADE
);
INSERT INTO "plantings" VALUES(1,1,1,'p1',0,'tomato-bush','2027-10-21','{"id": "p1", "place": "trough", "crop": "tomato-bush", "cells": ["A1", "A2", "A3"], "per_cell": 1.0, "training": "cage", "start": "transplant", "start_date": "2027-10-21"}');
INSERT INTO "plantings" VALUES(2,1,1,'p2',1,'spinach','2028-02-20','{"id": "p2", "place": "trough", "crop": "spinach", "cells": "all", "start": "sow", "start_date": "2028-02-20"}');
INSERT INTO "plantings" VALUES(3,1,2,'p3',2,'lettuce','2027-09-05','{"id": "p3", "place": "crate", "crop": "lettuce", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "start": "transplant", "start_date": "2027-09-05"}');
INSERT INTO "plantings" VALUES(4,1,1,'p4',3,'spinach','2027-06-20','{"id": "p4", "place": "trough", "crop": "spinach", "cells": "all", "start": "sow", "start_date": "2027-06-20", "clear_date": "2027-10-10"}');
INSERT INTO "plantings" VALUES(5,1,2,'p5',4,'lettuce','2027-06-10','{"id": "p5", "place": "crate", "crop": "lettuce", "cells": ["A1", "B1"], "start": "transplant", "start_date": "2027-06-10"}');
INSERT INTO "plantings" VALUES(6,1,2,'p6',5,'dwarf-bean','2027-10-28','{"id": "p6", "place": "crate", "crop": "dwarf-bean", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "start": "sow", "start_date": "2027-10-28", "follows": "p3"}');
INSERT INTO "plantings" VALUES(7,1,2,'p7',6,'spinach','2027-06-15','{"id": "p7", "place": "crate", "crop": "spinach", "cells": ["A2", "A3", "B2", "B3"], "start": "sow", "start_date": "2027-06-15", "clear_date": "2027-09-05"}');
INSERT INTO "plantings" VALUES(8,1,2,'p8',7,'carrot-short','2028-01-30','{"id": "p8", "place": "crate", "crop": "carrot-short", "cells": ["A1", "B1"], "start": "sow", "start_date": "2028-01-30"}');
INSERT INTO "plantings" VALUES(9,1,3,'p9',8,'climbing-bean','2027-10-15','{"id": "p9", "place": "tall", "crop": "climbing-bean", "cells": ["A1", "A2", "A3"], "support": "net", "start": "transplant", "start_date": "2027-10-15"}');
INSERT INTO "plantings" VALUES(10,1,3,'p10',9,'chard','2027-08-20','{"id": "p10", "place": "tall", "crop": "chard", "cells": ["B1", "B2", "B3"], "start": "transplant", "start_date": "2027-08-20"}');
INSERT INTO "plantings" VALUES(11,1,3,'p11',10,'pea','2027-06-25','{"id": "p11", "place": "tall", "crop": "pea", "cells": ["A1", "A2", "A3"], "support": "net", "start": "sow", "start_date": "2027-06-25", "clear_date": "2027-10-15"}');
INSERT INTO "plantings" VALUES(12,1,3,'p12',11,'kale','2028-02-05','{"id": "p12", "place": "tall", "crop": "kale", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "walls": "near", "start": "transplant", "start_date": "2028-02-05"}');
INSERT INTO "plantings" VALUES(13,1,4,'p13',12,'lettuce','2027-07-01','{"id": "p13", "place": "pot-herb", "crop": "lettuce", "cells": "all", "start": "transplant", "start_date": "2027-07-01"}');
INSERT INTO "plantings" VALUES(14,1,5,'p14',13,'lettuce','2028-02-20','{"id": "p14", "place": "pot-flower", "crop": "lettuce", "cells": "all", "start": "transplant", "start_date": "2028-02-20"}');
INSERT INTO "plantings" VALUES(15,1,4,'p15',14,'basil','2027-11-05','{"id": "p15", "place": "pot-herb", "crop": "basil", "cells": "all", "start": "transplant", "start_date": "2027-11-05"}');
INSERT INTO "plantings" VALUES(16,1,4,'p16',15,'parsley','2028-03-20','{"id": "p16", "place": "pot-herb", "crop": "parsley", "cells": "all", "start": "transplant", "start_date": "2028-03-20"}');
INSERT INTO "plantings" VALUES(17,1,5,'p17',16,'nasturtium','2027-09-15','{"id": "p17", "place": "pot-flower", "crop": "nasturtium", "cells": "all", "start": "sow", "start_date": "2027-09-15"}');
INSERT INTO "plantings" VALUES(18,1,3,'p18',17,'corn-salad','2027-04-10','{"id": "p18", "place": "tall", "crop": "corn-salad", "cells": ["B1", "B2", "B3"], "start": "sow", "start_date": "2027-04-10", "clear_date": "2027-08-18"}');
INSERT INTO "plantings" VALUES(19,1,2,'p19',18,'radish','2027-08-08','{"id": "p19", "place": "crate", "crop": "radish", "cells": ["A1", "B1"], "start": "sow", "start_date": "2027-08-08", "clear_date": "2027-09-05", "follows": "p5"}');
INSERT INTO "plantings" VALUES(20,1,4,'p20',19,'lettuce-leaf','2027-08-30','{"id": "p20", "place": "pot-herb", "crop": "lettuce-leaf", "cells": ["A1", "A2", "B1", "B2"], "start": "transplant", "start_date": "2027-08-30", "clear_date": "2027-11-03", "follows": "p13"}');
INSERT INTO "plantings" VALUES(21,1,5,'p21',20,'pot-marigold','2027-06-05','{"id": "p21", "place": "pot-flower", "crop": "pot-marigold", "cells": "all", "start": "transplant", "start_date": "2027-06-05", "clear_date": "2027-09-14"}');
INSERT INTO "plantings" VALUES(22,1,5,'p22',21,'winter-purslane','2028-04-20','{"id": "p22", "place": "pot-flower", "crop": "winter-purslane", "cells": "all", "start": "sow", "start_date": "2028-04-20", "follows": "p14"}');
INSERT INTO "plantings" VALUES(23,1,2,'p8-2',22,'carrot-short','2028-02-03','{"id": "p8-2", "place": "crate", "crop": "carrot-short", "cells": ["A2", "B2"], "start": "sow", "start_date": "2028-02-03", "clear_date": null}');
INSERT INTO "plantings" VALUES(24,1,2,'p8-3',23,'carrot-short','2028-02-07','{"id": "p8-3", "place": "crate", "crop": "carrot-short", "cells": ["A3", "B3"], "start": "sow", "start_date": "2028-02-07", "clear_date": null}');
INSERT INTO "plantings" VALUES(25,1,6,'p32',24,'lettuce-leaf','2027-06-10','{"id": "p32", "place": "pot-1", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}');
INSERT INTO "plantings" VALUES(26,1,6,'p33',25,'chilli-pepper','2027-10-25','{"id": "p33", "place": "pot-1", "crop": "chilli-pepper", "cells": "all", "start": "transplant", "start_date": "2027-10-25"}');
INSERT INTO "plantings" VALUES(27,1,7,'p34',26,'lettuce-leaf','2027-06-10','{"id": "p34", "place": "pot-2", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}');
INSERT INTO "plantings" VALUES(28,1,7,'p35',27,'chilli-pepper','2027-10-25','{"id": "p35", "place": "pot-2", "crop": "chilli-pepper", "cells": "all", "start": "transplant", "start_date": "2027-10-25"}');
INSERT INTO "plantings" VALUES(29,1,8,'p36',28,'lettuce-leaf','2027-06-10','{"id": "p36", "place": "pot-3", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}');
INSERT INTO "plantings" VALUES(30,1,8,'p37',29,'parsley','2027-09-25','{"id": "p37", "place": "pot-3", "crop": "parsley", "cells": "all", "start": "transplant", "start_date": "2027-09-25"}');
CREATE TABLE record_parts (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	kind VARCHAR NOT NULL, 
	ident VARCHAR NOT NULL, 
	day DATE NOT NULL, 
	removed_at DATETIME, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, kind, ident), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE
);
INSERT INTO "record_parts" VALUES(1,1,'weather','w1','2027-05-02',NULL,'{"day": "2027-05-02", "min_c": -1.0, "frost": true}');
CREATE TABLE revisions (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	number INTEGER NOT NULL, 
	label VARCHAR NOT NULL, 
	made_at DATETIME NOT NULL, 
	"before" JSON NOT NULL, 
	"after" JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, number), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE
);
INSERT INTO "revisions" VALUES(1,1,1,'change tomato-bush','2026-12-01 00:37:10.157647','{"plantings": {"p1": [0, {"id": "p1", "place": "trough", "crop": "tomato-bush", "cells": ["A1", "A2", "A3"], "per_cell": 1.0, "training": "cage", "start": "transplant", "start_date": "2027-10-20"}]}}','{"plantings": {"p1": [0, {"id": "p1", "place": "trough", "crop": "tomato-bush", "cells": ["A1", "A2", "A3"], "per_cell": 1.0, "training": "cage", "start": "transplant", "start_date": "2027-10-21"}]}}');
INSERT INTO "revisions" VALUES(2,1,2,'clear parsley','2026-12-01 00:37:10.420593','{"plantings": {"p37": [29, {"id": "p37", "place": "pot-3", "crop": "parsley", "cells": "all", "start": "transplant", "start_date": "2027-09-25"}]}}','{"plantings": {"p37": null}}');
CREATE TABLE seasons (
	pk INTEGER NOT NULL, 
	garden_pk INTEGER NOT NULL, 
	ident VARCHAR NOT NULL, 
	closed_at DATETIME NOT NULL, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (garden_pk, ident), 
	FOREIGN KEY(garden_pk) REFERENCES gardens (pk) ON DELETE CASCADE
);
INSERT INTO "seasons" VALUES(1,1,'2026','2026-12-01 03:35:42.946231','{"format": "ample-rows/plan", "version": 1, "garden": {"name": "Magpie Terrace", "latitude": -37.6, "longitude": 144.3, "utc_offset_hours": 10.0, "elevation_m": 80.0, "last_frost": "2027-09-05", "first_frost": "2028-06-05", "frost_spread_days": 14.0, "seed": 7, "climate": {"tmin_c": [14.5, 14.8, 13.4, 10.9, 8.8, 7.0, 6.2, 6.8, 8.2, 9.6, 11.3, 12.9], "tmax_c": [26.4, 26.6, 24.2, 20.6, 17.0, 14.3, 13.7, 15.1, 17.5, 20.0, 22.3, 24.5], "rain_mm": [46.0, 46.0, 50.0, 55.0, 55.0, 50.0, 48.0, 50.0, 55.0, 62.0, 60.0, 60.0]}, "policies": {"depth": "shallow", "layout": "merged"}, "household": {"people": 2.0, "hours_per_week": 2.0, "prices": [{"crop": "lettuce", "per_kg": 9.0}, {"crop": "tomato", "per_kg": 6.0}], "wants": [{"crop": "lettuce", "kg_per_year": 6.0, "months": [7, 8, 9, 10, 11, 2, 3, 4]}, {"crop": "tomato-bush", "kg_per_year": 10.0}]}}, "site": {"outline_m": [[0.0, 0.0], [5.6, 0.0], [5.6, 3.4], [0.0, 3.4]], "north_deg": 0.0, "obstacles": [{"name": "own flat", "kind": "house", "outline_m": [[-3.0, -6.0], [9.0, -6.0], [9.0, 0.0], [-3.0, 0.0]], "height_m": 3.0}, {"name": "parapet below the rail", "kind": "wall", "outline_m": [[0.0, 3.4], [5.6, 3.4], [5.6, 3.5], [0.0, 3.5]], "height_m": 0.4}, {"name": "west screen", "kind": "fence", "outline_m": [[-0.1, 0.0], [0.0, 0.0], [0.0, 3.4], [-0.1, 3.4]], "height_m": 1.8}, {"name": "tower next door", "kind": "house", "outline_m": [[12.0, -4.0], [18.0, -4.0], [18.0, 5.0], [12.0, 5.0]], "height_m": 9.0}], "taps": [{"at_m": [0.3, 0.2], "name": "tap", "hose_m": 6.0, "flow_l_per_min": 8.0}], "door_m": [2.8, 0.0]}, "soil": {"bags": [{"litres": 25.0, "price": 7.0}, {"litres": 50.0, "price": 12.0}, {"litres": 70.0, "price": 15.5}, {"litres": 70.0, "price": 24.0, "name": "pressed bale, opens to 120 L", "opened_litres": 120.0}], "recipes": [{"id": "rail-mix", "name": "light rail mix", "parts": [{"of": "composted bark", "parts": 3.0}, {"of": "coconut fibre", "parts": 3.0}, {"of": "worm compost", "parts": 2.0}, {"of": "perlite", "parts": 2.0}]}], "ingredients": [{"name": "coconut fibre", "price_per_litre": 0.11}, {"name": "composted bark", "price_per_litre": 0.16}, {"name": "worm compost", "litres": 20.0, "price_per_litre": 0.6}, {"name": "perlite", "price_per_litre": 0.35}], "feeding": "mix"}, "places": [{"id": "trough", "name": "Rail trough", "kind": "container", "shape": {"type": "rectangle", "width_cm": 35.0, "length_cm": 110.0}, "wall_height_cm": 32.0, "rim_gap_cm": 3.0, "cell_cm": 35.0, "at_m": [0.5, 3.2], "heading_deg": 90.0, "material": "metal", "stage": "standing", "mix": "rail-mix", "floor": "balcony", "rests": [{"cells": ["A1", "A2", "A3", "A4"], "since": "2027-06-01", "until": "2027-06-20", "reason": "emptied for new mix"}, {"cells": ["A4"], "since": "2027-10-10", "until": "2028-02-20", "reason": "the watering can stands here in summer"}, {"cells": ["A1", "A2", "A3", "A4"], "since": "2028-05-10", "until": "2028-06-02", "reason": "emptied for new mix"}]}, {"id": "crate", "name": "Salad crate", "kind": "container", "shape": {"type": "rectangle", "width_cm": 62.0, "length_cm": 93.0}, "wall_height_cm": 26.0, "rim_gap_cm": 3.0, "cell_cm": 31.0, "layout": "single-squares", "at_m": [2.2, 2.7], "heading_deg": 90.0, "material": "wood", "floor": "balcony", "rests": [{"cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "since": "2027-06-01", "until": "2027-06-15", "reason": "emptied for new mix"}, {"cells": "all", "since": "2028-05-10", "until": "2028-06-02", "reason": "emptied for new mix"}]}, {"id": "tall", "name": "Tall box", "kind": "container", "shape": {"type": "rectangle", "width_cm": 60.0, "length_cm": 90.0}, "wall_height_cm": 45.0, "rim_gap_cm": 4.0, "cell_cm": 30.0, "at_m": [5.3, 0.5], "heading_deg": 270.0, "material": "wood", "floor": "balcony", "supports": [{"id": "net", "height_cm": 170.0, "system": "mesh", "line_cm": [[15.0, 0.0], [15.0, 90.0]]}], "rests": [{"cells": ["A1", "A2", "A3"], "since": "2027-06-01", "until": "2027-06-25", "reason": "emptied for new mix"}]}, {"id": "pot-herb", "name": "Herb pot", "kind": "container", "shape": {"type": "circle", "diameter_cm": 38.0, "bottom_diameter_cm": 29.0}, "wall_height_cm": 33.0, "rim_gap_cm": 3.0, "at_m": [4.2, 2.9], "material": "clay", "floor": "balcony", "stays": [{"since": "2028-06-01", "until": "2028-09-01", "at_m": [3.6, 0.6]}], "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-07-01", "reason": "in the porch, dry, for the cold weeks"}, {"cells": "all", "since": "2028-02-27", "until": "2028-03-20", "reason": "emptied for new mix"}]}, {"id": "pot-flower", "name": "Flower pot", "kind": "container", "shape": {"type": "circle", "diameter_cm": 34.0, "bottom_diameter_cm": 27.0}, "wall_height_cm": 29.0, "rim_gap_cm": 2.0, "at_m": [0.5, 1.5], "material": "plastic", "floor": "balcony"}, {"id": "pot-1", "name": "Pot 1", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [3.8, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-10-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-20", "until": "2028-06-02", "reason": "washed out and put away dry"}]}, {"id": "pot-2", "name": "Pot 2", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [4.2, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-10-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-20", "until": "2028-06-02", "reason": "washed out and put away dry"}]}, {"id": "pot-3", "name": "Pot 3", "kind": "container", "bottom": "closed", "shape": {"type": "circle", "diameter_cm": 24.0, "bottom_diameter_cm": 20.0}, "wall_height_cm": 22.0, "rim_gap_cm": 2.0, "group": "small pots", "at_m": [4.6, 0.3], "material": "plastic", "floor": "balcony", "rests": [{"cells": "all", "since": "2027-06-01", "until": "2027-06-10", "reason": "emptied for new mix"}, {"cells": "all", "since": "2027-08-14", "until": "2027-09-25", "reason": "stacked in the dry"}, {"cells": "all", "since": "2028-03-12", "until": "2028-06-02", "reason": "washed out and put away dry"}]}], "plantings": [{"id": "p1", "place": "trough", "crop": "tomato-bush", "cells": ["A1", "A2", "A3"], "per_cell": 1.0, "training": "cage", "start": "transplant", "start_date": "2027-10-21"}, {"id": "p2", "place": "trough", "crop": "spinach", "cells": "all", "start": "sow", "start_date": "2028-02-20"}, {"id": "p3", "place": "crate", "crop": "lettuce", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "start": "transplant", "start_date": "2027-09-05"}, {"id": "p4", "place": "trough", "crop": "spinach", "cells": "all", "start": "sow", "start_date": "2027-06-20", "clear_date": "2027-10-10"}, {"id": "p5", "place": "crate", "crop": "lettuce", "cells": ["A1", "B1"], "start": "transplant", "start_date": "2027-06-10"}, {"id": "p6", "place": "crate", "crop": "dwarf-bean", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "start": "sow", "start_date": "2027-10-28", "follows": "p3"}, {"id": "p7", "place": "crate", "crop": "spinach", "cells": ["A2", "A3", "B2", "B3"], "start": "sow", "start_date": "2027-06-15", "clear_date": "2027-09-05"}, {"id": "p8", "place": "crate", "crop": "carrot-short", "cells": ["A1", "B1"], "start": "sow", "start_date": "2028-01-30"}, {"id": "p9", "place": "tall", "crop": "climbing-bean", "cells": ["A1", "A2", "A3"], "support": "net", "start": "transplant", "start_date": "2027-10-15"}, {"id": "p10", "place": "tall", "crop": "chard", "cells": ["B1", "B2", "B3"], "start": "transplant", "start_date": "2027-08-20"}, {"id": "p11", "place": "tall", "crop": "pea", "cells": ["A1", "A2", "A3"], "support": "net", "start": "sow", "start_date": "2027-06-25", "clear_date": "2027-10-15"}, {"id": "p12", "place": "tall", "crop": "kale", "cells": ["A1", "A2", "A3", "B1", "B2", "B3"], "walls": "near", "start": "transplant", "start_date": "2028-02-05"}, {"id": "p13", "place": "pot-herb", "crop": "lettuce", "cells": "all", "start": "transplant", "start_date": "2027-07-01"}, {"id": "p14", "place": "pot-flower", "crop": "lettuce", "cells": "all", "start": "transplant", "start_date": "2028-02-20"}, {"id": "p15", "place": "pot-herb", "crop": "basil", "cells": "all", "start": "transplant", "start_date": "2027-11-05"}, {"id": "p16", "place": "pot-herb", "crop": "parsley", "cells": "all", "start": "transplant", "start_date": "2028-03-20"}, {"id": "p17", "place": "pot-flower", "crop": "nasturtium", "cells": "all", "start": "sow", "start_date": "2027-09-15"}, {"id": "p18", "place": "tall", "crop": "corn-salad", "cells": ["B1", "B2", "B3"], "start": "sow", "start_date": "2027-04-10", "clear_date": "2027-08-18"}, {"id": "p19", "place": "crate", "crop": "radish", "cells": ["A1", "B1"], "start": "sow", "start_date": "2027-08-08", "clear_date": "2027-09-05", "follows": "p5"}, {"id": "p20", "place": "pot-herb", "crop": "lettuce-leaf", "cells": ["A1", "A2", "B1", "B2"], "start": "transplant", "start_date": "2027-08-30", "clear_date": "2027-11-03", "follows": "p13"}, {"id": "p21", "place": "pot-flower", "crop": "pot-marigold", "cells": "all", "start": "transplant", "start_date": "2027-06-05", "clear_date": "2027-09-14"}, {"id": "p22", "place": "pot-flower", "crop": "winter-purslane", "cells": "all", "start": "sow", "start_date": "2028-04-20", "follows": "p14"}, {"id": "p8-2", "place": "crate", "crop": "carrot-short", "cells": ["A2", "B2"], "start": "sow", "start_date": "2028-02-03", "clear_date": null}, {"id": "p8-3", "place": "crate", "crop": "carrot-short", "cells": ["A3", "B3"], "start": "sow", "start_date": "2028-02-07", "clear_date": null}, {"id": "p32", "place": "pot-1", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}, {"id": "p33", "place": "pot-1", "crop": "chilli-pepper", "cells": "all", "start": "transplant", "start_date": "2027-10-25"}, {"id": "p34", "place": "pot-2", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}, {"id": "p35", "place": "pot-2", "crop": "chilli-pepper", "cells": "all", "start": "transplant", "start_date": "2027-10-25"}, {"id": "p36", "place": "pot-3", "crop": "lettuce-leaf", "cells": "all", "start": "transplant", "start_date": "2027-06-10"}, {"id": "p37", "place": "pot-3", "crop": "parsley", "cells": "all", "start": "transplant", "start_date": "2027-09-25"}]}');
CREATE TABLE supports (
	pk INTEGER NOT NULL, 
	place_pk INTEGER NOT NULL, 
	ident VARCHAR NOT NULL, 
	ordinal INTEGER NOT NULL, 
	system VARCHAR NOT NULL, 
	document JSON NOT NULL, 
	PRIMARY KEY (pk), 
	UNIQUE (place_pk, ident), 
	FOREIGN KEY(place_pk) REFERENCES places (pk) ON DELETE CASCADE
);
INSERT INTO "supports" VALUES(1,3,'net',0,'mesh','{"id": "net", "height_cm": 170.0, "system": "mesh", "line_cm": [[15.0, 0.0], [15.0, 90.0]]}');
CREATE UNIQUE INDEX ix_gardens_slug ON gardens (slug);
CREATE INDEX ix_places_garden_pk ON places (garden_pk);
CREATE INDEX ix_supports_place_pk ON supports (place_pk);
CREATE INDEX ix_plantings_garden_pk ON plantings (garden_pk);
CREATE INDEX ix_plantings_place_pk ON plantings (place_pk);
CREATE INDEX ix_revisions_garden_pk ON revisions (garden_pk);
CREATE INDEX ix_entries_garden_day ON entries (garden_pk, day);
CREATE INDEX ix_entries_garden_planting ON entries (garden_pk, planting);
COMMIT;
