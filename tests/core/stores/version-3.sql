CREATE TABLE banding (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  thickness INTEGER NOT NULL CHECK (thickness > 0),
  width INTEGER NOT NULL CHECK (width > 0),
  rollLength INTEGER NOT NULL CHECK (rollLength > 0),
  deduct INTEGER NOT NULL,
  price INTEGER NOT NULL,
  "left" INTEGER NOT NULL CHECK ("left" >= 0)
);
CREATE TABLE finish (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  products TEXT NOT NULL
);
CREATE TABLE hardware (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  kind TEXT NOT NULL,
  name TEXT NOT NULL UNIQUE CHECK (name <> ''),
  length INTEGER NOT NULL CHECK (length >= 0),
  have INTEGER NOT NULL CHECK (have >= 0),
  pack INTEGER NOT NULL CHECK (pack > 0),
  price INTEGER NOT NULL,
  note TEXT NOT NULL
);
CREATE TABLE holding (
  job TEXT NOT NULL REFERENCES job (id),
  cutting INTEGER NOT NULL,
  piece INTEGER NOT NULL REFERENCES piece (id),
  reserved INTEGER NOT NULL CHECK (reserved >= 0),
  used INTEGER NOT NULL CHECK (used >= 0),
  PRIMARY KEY (job, cutting, piece)
) WITHOUT ROWID;
INSERT INTO "holding" VALUES('job-1',1,1,1,1);
CREATE TABLE job (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  seq INTEGER NOT NULL
, wants TEXT NOT NULL DEFAULT '');
INSERT INTO "job" VALUES('job-1','Log wall',42,'');
CREATE TABLE material (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  name TEXT NOT NULL CHECK (name <> ''),
  nominal INTEGER NOT NULL CHECK (nominal > 0),
  measured INTEGER NOT NULL CHECK (measured > 0),
  grained INTEGER NOT NULL,
  tone TEXT NOT NULL,
  density INTEGER NOT NULL CHECK (density > 0),
  stiffness INTEGER NOT NULL CHECK (stiffness > 0),
  lumber INTEGER NOT NULL,
  UNIQUE (name, nominal)
);
INSERT INTO "material" VALUES(1,'ash',18000000,17800000,1,'ash',690,11000,0);
CREATE TABLE piece (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  kind TEXT NOT NULL,
  material INTEGER NOT NULL REFERENCES material (id),
  tag INTEGER NOT NULL,
  lot TEXT NOT NULL,
  measured INTEGER CHECK (measured > 0),
  length INTEGER NOT NULL CHECK (length > 0),
  width INTEGER NOT NULL CHECK (width > 0),
  grain TEXT NOT NULL,
  twoGoodFaces INTEGER NOT NULL,
  count INTEGER NOT NULL CHECK (count > 0),
  price INTEGER NOT NULL,
  place TEXT NOT NULL,
  note TEXT NOT NULL,
  defects TEXT NOT NULL,
  came TEXT NOT NULL
);
INSERT INTO "piece" VALUES(1,'sheet',1,0,'A7',NULL,2440000000,1220000000,'length',0,4,800000,'rack 1','','[]','2026-10-02');
INSERT INTO "piece" VALUES(2,'offcut',1,12,'A7',17600000,800000000,400000000,'length',1,1,0,'','dented','[{"x": 10, "y": 10, "width": 60, "height": 40}]','');
INSERT INTO "piece" VALUES(3,'sheet',1,0,'',NULL,500000000,300000000,'length',0,1,0,'','','[]','');
CREATE TABLE reading (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  material INTEGER NOT NULL REFERENCES material (id),
  lot TEXT NOT NULL,
  thickness INTEGER NOT NULL CHECK (thickness > 0),
  taken TEXT NOT NULL
);
INSERT INTO "reading" VALUES(1,1,'A7',17650000,'2026-10-03');
CREATE TABLE returned (
  job TEXT NOT NULL REFERENCES job (id),
  cutting INTEGER NOT NULL,
  leftover TEXT NOT NULL,
  piece INTEGER NOT NULL UNIQUE REFERENCES piece (id),
  PRIMARY KEY (job, cutting, leftover)
) WITHOUT ROWID;
INSERT INTO "returned" VALUES('job-1',1,'S1/3',2);
CREATE TABLE setting (
  name TEXT PRIMARY KEY,
  value TEXT NOT NULL
) WITHOUT ROWID;
INSERT INTO "setting" VALUES('house rules','{}');
CREATE UNIQUE INDEX piece_tag ON piece (tag) WHERE tag > 0;
CREATE INDEX piece_material ON piece (material, length, width);
CREATE INDEX holding_piece ON holding (piece);
CREATE INDEX reading_lot ON reading (material, lot);
PRAGMA user_version = 3;
