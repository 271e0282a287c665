create table setting (
    name varchar(40) primary key,
    word varchar(40) not null
);
