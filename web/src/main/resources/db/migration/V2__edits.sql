-- content: the revision that first had this body (undo and redo bring contents back); made_from: the content it was made of
alter table circuit_revision add column content int;
alter table circuit_revision add column made_from int;
alter table circuit_revision add column words varchar(1000) default '' not null;
update circuit_revision set content = number, words = 'first entry';
alter table circuit_revision alter column content set not null;

-- what a bench took over from the bench of an earlier revision, and what no longer fitted, one line each
alter table bench add column left_out clob;
