-- Up Migration
-- What a day's sheet and the log's filters look for, found without reading all records.

create index record_amends on record (site_id, (body #>> '{payload,target}')) where type = 'record.amended@1';
create index record_entered on record (site_id, ((body #>> '{payload,from}')::bigint)) where type = 'run.entered@1';
create index record_rack on record (site_id, ((body #>> '{payload,to}')::bigint)) where type = 'cycle.judged@1';
