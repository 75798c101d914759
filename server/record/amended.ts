/**
 * What records were put right to: common table expression `amended (id, instead)` of the site $1; `instead` is JSON null where one was
 * taken back. What was amended twice stands as it was last.
 */
export const amended = `
  amended as (
    select distinct on (body #>> '{payload,target}') (body #>> '{payload,target}')::uuid as id,
      body #> '{payload,instead}' as instead
    from record where site_id = $1 and type = 'record.amended@1'
    order by body #>> '{payload,target}', seq desc
  )`
