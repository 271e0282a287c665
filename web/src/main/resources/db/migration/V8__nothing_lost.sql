-- a reading's id is its record's: the same file read into two records is two records' readings
alter table sheet_reading drop primary key;
alter table sheet_reading add primary key (record_id, id);

-- the sheet as it was computed when the record was begun, as JSON; null until an older record is opened
alter table sheet_record add column sheet clob;

-- why a link or a lifted wire is no longer to be undone though no act took it out: undone, out, carried over
alter table bench_action add column settled varchar(10);

-- the beginning of the newest revision's notes, for lists; null until it is asked for
alter table circuit add column about varchar(200);
alter table circuit add column removed_at timestamp with time zone;
alter table site add column removed_at timestamp with time zone;
