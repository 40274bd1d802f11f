import { expect, test } from 'vitest'
import { newStore } from '~test/worlds/store'
import { Remembered } from './remembered.server'

/** A store of one figure that says how often it was asked. */
function oneFigure() {
  const store = { figure: 1, asked: 0 }
  const ask = async <Row>() => {
    store.asked++
    return [{ figure: store.figure }] as Row[]
  }
  const remembered = new Remembered()
  const read = (sql = 'select figure from it') => remembered.read<{ figure: number }>(sql, [], ask)
  return { store, remembered, read }
}

test('what was read is not asked again until something was written, and then it is', async () => {
  const { store, remembered, read } = oneFigure()
  expect([await read(), await read()]).toEqual([[{ figure: 1 }], [{ figure: 1 }]])
  expect(store.asked).toBe(1)
  await remembered.write(async (writes) => {
    writes('update it set figure = 2')
    store.figure = 2
  })
  expect(await read()).toEqual([{ figure: 2 }])
})

test.each([
  ['update it set figure = 2', 2],
  ['insert into "public"."it" values (2)', 2],
  ['DELETE FROM It', 2],
  ['update only it set figure = 2', 2],
  [
    'with added as (insert into other values (2)) merge into it using other on true when matched then delete',
    2,
  ],
  ['with gone as (delete from it returning figure) insert into other select figure from gone', 2],
  ['truncate it', 2],
  ['drop table other', 2],
  ['insert into other values (2) on conflict do update set figure = 2', 1],
  ['select figure from it for update', 1],
])('what is read of a table is asked again once that table may have been written: %s', async (sql, asked) => {
  const { store, remembered, read } = oneFigure()
  await read()
  await remembered.write(async (writes) => writes(sql))
  await read()
  expect(store.asked).toBe(asked)
})

test('what is read while something is being written is asked again after it', async () => {
  const { store, remembered, read } = oneFigure()
  let done = () => {}
  const writing = remembered.write(async (writes) => {
    writes('update it set figure = 2')
    await new Promise<void>((resolve) => {
      done = resolve
    })
  })
  expect(await read()).toEqual([{ figure: 1 }])
  store.figure = 2
  expect(await read()).toEqual([{ figure: 2 }])
  done()
  await writing
})

test('an answer that a write has overtaken is not remembered', async () => {
  const { store, remembered, read } = oneFigure()
  const before = read()
  await remembered.write(async (writes) => {
    writes('update it set figure = 2')
    store.figure = 2
  })
  await before
  expect(await read()).toEqual([{ figure: 2 }])
})

test('a write that failed is forgotten like one that did not', async () => {
  const { store, remembered, read } = oneFigure()
  await read()
  const refused = remembered.write(async (writes) => {
    writes('update it set figure = 2')
    throw new Error('refused')
  })
  await expect(refused).rejects.toThrow('refused')
  await read()
  expect(store.asked).toBe(2)
})

test.each([
  'select now()',
  'select current_date',
  'select random()',
  "select nextval('number')",
  'select left_ml from container for update',
])('%s is asked each time', async (sql) => {
  const { store, read } = oneFigure()
  await read(sql)
  await read(sql)
  expect(store.asked).toBe(2)
})

test('whoever changes rows that others are handed is told', async () => {
  const { read } = oneFigure()
  await read()
  const [row] = await read()
  expect(() => Object.assign(row ?? {}, { figure: 9 })).toThrow(TypeError)
})

test('every way of writing into the database is noticed', async () => {
  const db = await newStore()
  await db.exec('create table it (figure int)')
  const figures = () => db.query('select figure from it order by 1')
  const ways = [
    () => db.query('insert into it values ($1)', [1]),
    () => db.exec('insert into it values (2)'),
    () => db.transaction((tx) => tx.query('insert into it values (3)')),
    () => db.query('with added as (insert into it values (4) returning figure) select figure from added'),
  ]
  expect(await figures()).toEqual([])
  for (const [i, write] of ways.entries()) {
    await write()
    expect(await figures()).toHaveLength(i + 1)
  }
  await db.close()
})

test('nothing in the store writes or reads a table that a statement does not name: no view, trigger, function, cascade', async () => {
  const db = await newStore()
  const [beside] = await db.query<{ n: number }>(
    `select (select count(*) from pg_class where relkind in ('v', 'm') and relnamespace = 'public'::regnamespace)
       + (select count(*) from pg_trigger where not tgisinternal) + (select count(*) from pg_rewrite
          join pg_class on pg_class.oid = ev_class where relnamespace = 'public'::regnamespace)
       + (select count(*) from pg_proc where pronamespace = 'public'::regnamespace)
       + (select count(*) from pg_constraint where contype = 'f' and (confdeltype <> 'a' or confupdtype <> 'a')) as n`,
  )
  expect(Number(beside?.n)).toBe(0)
  await db.close()
})
