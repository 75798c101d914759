-- Up Migration
-- States that tablets need no longer, by when they were touched: what the last weeks taught is found without reading years. Those that
-- are still worked on are not in it, so that a record does not have to move its entry.
create index subject_state_settled on subject_state (site_id, kind, touched_at) where not live;
