-- what was found by the trial that a bench was opened for; null for the circuit's own benches
alter table bench add column about clob;
