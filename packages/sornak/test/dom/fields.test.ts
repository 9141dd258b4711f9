// Fields in a real browser: keys, paste, selection, composition, autofill, undo, forms, screen readers.

import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { devices, type BrowserContextOptions, type Page } from 'playwright-core'
import { afterAll, afterEach, beforeAll, describe, expect, test } from 'vitest'
import { site, type Site } from './browser.js'

let here: Site
beforeAll(async () => {
  here = await site()
})
afterEach(() => here.clear())
afterAll(async () => {
  expect(here.errors).toEqual([])
  await here.close()
})

/** What tests reach on the page. */
interface InPage {
  readonly fields: Record<
    string,
    { value: string; stored?: string; status: string; detach(): void }
  > & {
    heard: string[]
    error: string
  }
  readonly axe: { run(): Promise<{ violations: { id: string }[] }> }
}

const PHONE = `<label>Mobile <input name="phone"></label>`
const phone = (options = '{}', extra = '') =>
  `fields.phone = attach(document.querySelector('input'), mask('({3}) {3}-{4}'), ${options}); ${extra}`

async function field(
  body = PHONE,
  script = phone(),
  options?: BrowserContextOptions,
): Promise<Page> {
  const page = await here.open(body, script, options)
  await page.focus('input')
  return page
}

/** Text of the field with its caret or selection. */
const seen = (page: Page) =>
  page.locator('input').evaluate((input: HTMLInputElement) => {
    const [from, to] = [input.selectionStart!, input.selectionEnd!]
    const text = input.value
    return from === to
      ? `${text.slice(0, from)}|${text.slice(from)}`
      : `${text.slice(0, from)}[${text.slice(from, to)}]${text.slice(to)}`
  })
const state = (page: Page, name = 'phone') =>
  page.evaluate((key) => {
    const { value, stored, status } = (window as unknown as InPage).fields[key]!
    return { value, stored, status }
  }, name)
const said = (page: Page) => page.locator('[role=status]').first().textContent()
const select = (page: Page, from: number, to = from) =>
  page
    .locator('input')
    .evaluate((input: HTMLInputElement, [a, b]) => input.setSelectionRange(a!, b!), [from, to])
const paste = async (page: Page, text: string) => {
  await page.evaluate((copied) => navigator.clipboard.writeText(copied), text)
  await page.keyboard.press('Control+V')
}

describe('what people complained of', () => {
  test('the field ends, and says so', async () => {
    const page = await field()
    await page.keyboard.type('20655501429999')
    expect(await seen(page)).toBe('(206) 555-0142|')
    expect(await said(page)).toMatch(/no room for more/)
  })
  test('letters do not get in, and a reason is spoken', async () => {
    const page = await field()
    await page.keyboard.type('2x0')
    expect(await seen(page)).toBe('(20|')
    await page.keyboard.press('y')
    expect(await said(page)).toBe('The letter y does not belong here; a digit does.')
  })
  test('the outline shows before the first key', async () => {
    const page = await field()
    expect(await page.getAttribute('input', 'placeholder')).toBe('(___) ___-____')
  })
  test('zeros stay', async () => {
    const page = await field(
      PHONE,
      `fields.phone = attach(document.querySelector('input'), mask('{5}'))`,
    )
    await page.keyboard.type('00417')
    expect(await state(page)).toEqual({ value: '00417', stored: '00417', status: 'complete' })
  })
  test('one can delete past every separator', async () => {
    const page = await field()
    await page.keyboard.type('2065550142')
    for (let i = 0; i < 10; i++) await page.keyboard.press('Backspace')
    expect(await seen(page)).toBe('|')
    expect((await state(page)).status).toBe('empty')
  })
  test('the caret stays in the middle', async () => {
    const page = await field()
    await page.keyboard.type('2065550142')
    await select(page, 8)
    await page.keyboard.press('Backspace')
    expect(await seen(page)).toBe('(206) 5|50-142')
    await page.keyboard.press('Delete')
    expect(await seen(page)).toBe('(206) 5|01-42')
    await page.keyboard.type('9')
    expect(await seen(page)).toBe('(206) 59|0-142')
  })
  test('a pasted number with its country is taken once', async () => {
    const page = await field()
    await paste(page, '+1 (206) 555-0142')
    expect(await seen(page)).toBe('(206) 555-0142|')
    await paste(page, '7')
    expect(await state(page)).toMatchObject({ value: '2065550142' })
    await page.keyboard.press('Control+A')
    await paste(page, '206.555.0199')
    expect(await seen(page)).toBe('(206) 555-0199|')
    await page.keyboard.press('Control+A')
    await paste(page, 'not a number')
    expect(await state(page)).toMatchObject({ value: '2065550199' })
    expect(await said(page)).toMatch(/nothing was put in/)
  })
  test('groups of a number do not fight with typing', async () => {
    const page = await field(
      PHONE,
      `fields.phone = attach(document.querySelector('input'), mask('{number, group, decimals 2}'))`,
    )
    await page.keyboard.type('1234567.5')
    expect(await seen(page)).toBe('1,234,567.5|')
    await select(page, 3)
    await page.keyboard.type('9')
    expect(await seen(page)).toBe('12,9|34,567.5')
    await page.locator('input').blur()
    expect(await page.inputValue('input')).toBe('12,934,567.50')
  })
  test('what is filled in is not cut', async () => {
    const page = await field('<input maxlength="10">')
    // A browser that fills a form writes the value and sends an input event that names no edit.
    const fill = (text: string) =>
      page.locator('input').evaluate((input: HTMLInputElement, value) => {
        const proto = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!
        proto.set!.call(input, value)
        input.dispatchEvent(new Event('input', { bubbles: true }))
        input.dispatchEvent(new Event('change', { bubbles: true }))
      }, text)
    await fill('+12065550142')
    expect(await page.inputValue('input')).toBe('(206) 555-0142')
    await fill('+44 20 7946 0000 ext 5')
    expect(await page.inputValue('input')).toBe('+44 20 7946 0000 ext 5')
    expect(await page.getAttribute('input', 'aria-invalid')).toBe('true')
    await page.keyboard.press('Control+A')
    await page.keyboard.type('2')
    expect(await page.inputValue('input')).toBe('(2')
  })
})

describe('every way to edit', () => {
  test('replacing a selection, cutting, deleting words and lines', async () => {
    const page = await field()
    await page.keyboard.type('2065550142')
    await select(page, 6, 9)
    await page.keyboard.type('7')
    expect(await seen(page)).toBe('(206) 7|01-42')
    await select(page, 1, 4)
    await page.keyboard.press('Control+X')
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('206')
    expect(await page.inputValue('input')).toBe('(701) 42')
    await page.keyboard.press('End')
    await page.keyboard.press('Control+Backspace')
    expect(await page.inputValue('input')).toBe('(701')
  })
  test('undo and redo by keyboard', async () => {
    const page = await field()
    await page.keyboard.type('2065')
    await page.keyboard.press('Control+Z')
    expect(await seen(page)).toBe('(206|')
    await page.keyboard.press('Control+Z')
    expect(await seen(page)).toBe('(20|')
    await page.keyboard.press('Control+Shift+Z')
    await page.keyboard.press('Control+Y')
    expect(await seen(page)).toBe('(206) 5|')
  })
  test('undo by menu', async () => {
    const page = await field()
    await page.keyboard.type('2065')
    const devtools = await page.context().newCDPSession(page)
    const menu = (command: string) =>
      devtools.send('Input.dispatchKeyEvent', { type: 'rawKeyDown', commands: [command] })
    await menu('undo')
    expect(await seen(page)).toBe('(206|')
    await menu('undo')
    expect(await seen(page)).toBe('(20|')
  })
  test('composition, as on-screen keyboards and input methods send it', async () => {
    const page = await field()
    const devtools = await page.context().newCDPSession(page)
    const compose = async (...steps: string[]) => {
      for (const text of steps)
        await devtools.send('Input.imeSetComposition', {
          text,
          selectionStart: text.length,
          selectionEnd: text.length,
        })
      await devtools.send('Input.insertText', { text: steps.at(-1)! })
    }
    await compose('2', '20', '206')
    expect(await seen(page)).toBe('(206|')
    await compose('５')
    expect(await seen(page)).toBe('(206) 5|')
    await compose('か')
    expect(await seen(page)).toBe('(206) 5|')
    expect(await said(page)).toMatch(/does not belong here/)
  })
  test('a keyboard that sends no key events', async () => {
    const page = await field()
    const devtools = await page.context().newCDPSession(page)
    for (const text of ['2', '0', '6', '5']) await devtools.send('Input.insertText', { text })
    expect(await seen(page)).toBe('(206) 5|')
  })
  test('a change that no event announces', async () => {
    const page = await field()
    await page.keyboard.type('2065550')
    await page.locator('input').evaluate((input: HTMLInputElement) => {
      input.setRangeText('9', 1, 2, 'end')
      input.dispatchEvent(new InputEvent('input', { inputType: 'insertText', bubbles: true }))
    })
    expect(await seen(page)).toBe('(9|06) 555-0')
  })
  test('a separator that no event announced as deleted', async () => {
    const page = await field()
    await page.keyboard.type('2065550')
    await page.locator('input').evaluate((input: HTMLInputElement) => {
      input.setRangeText('', 9, 10, 'end')
      input.dispatchEvent(
        new InputEvent('input', { inputType: 'deleteContentBackward', bubbles: true }),
      )
    })
    expect(await seen(page)).toBe('(206) 55|0')
  })
  test('text dropped on the field, and dragged out of it', async () => {
    const page = await field(`${PHONE}<p id="from">206-555</p>`)
    await page.evaluate(() => {
      getSelection()!.selectAllChildren(document.querySelector('#from')!)
    })
    await page.dragAndDrop('#from', 'input')
    expect(await page.inputValue('input')).toBe('(206) 555')
    await page.evaluate(() => {
      document.querySelector('#from')!.textContent = 'ferries'
      getSelection()!.selectAllChildren(document.querySelector('#from')!)
    })
    await page.dragAndDrop('#from', 'input')
    expect(await page.inputValue('input')).toBe('(206) 555')
  })
  test('events reach the page as those of any input', async () => {
    const page = await field(
      PHONE,
      phone(
        '{}',
        `fields.heard = []; for (const type of ['input', 'change']) document.querySelector('input').addEventListener(type, (event) => fields.heard.push(type + ' ' + event.target.value))`,
      ),
    )
    await page.keyboard.type('2065')
    await page.locator('input').blur()
    const heard = await page.evaluate(() => (window as unknown as InPage).fields.heard)
    expect(heard.filter((one) => one.startsWith('input'))).toEqual([
      'input (2',
      'input (20',
      'input (206',
      'input (206) 5',
    ])
    expect(heard).toContain('change (206) 5')
  })
})

describe('forms', () => {
  const FORM = `<form action="/sent"><label>Mobile <input name="phone" required></label><button>Send</button><button type="reset">Start again</button></form>`
  test.each([
    ['shown', '(206) 555-0142'],
    ['plain', '2065550142'],
    ['stored', '0206'],
  ])('%s is submitted', async (submit, want) => {
    const script =
      submit === 'stored'
        ? `fields.phone = attach(document.querySelector('input'), identifier({ stored: '0{3}', display: '{3}' }), { submit: 'stored' })`
        : phone(`{ submit: '${submit}' }`)
    const page = await field(FORM, script)
    await page.keyboard.type(submit === 'stored' ? '206' : '2065550142')
    await page.keyboard.press('Enter')
    await page.waitForURL(/sent/)
    expect(new URL(page.url()).searchParams.get('phone')).toBe(want)
  })
  test('what is sent is as it would stand if the field had been left', async () => {
    const script = `fields.phone = attach(document.querySelector('input'), maskList(['{4} {4} {4} {4}', '{4} {6} {5}']))`
    const page = await field(FORM, script)
    await page.keyboard.type('378282246310005')
    expect(await seen(page)).toBe('3782 8224 6310 005|')
    await page.keyboard.press('Enter')
    await page.waitForURL(/sent/)
    expect(new URL(page.url()).searchParams.get('phone')).toBe('3782 822463 10005')
  })
  test('an incomplete value is not submitted, and the browser says why', async () => {
    const page = await field(FORM)
    await page.keyboard.type('206')
    await page.keyboard.press('Enter')
    expect(page.url()).not.toContain('sent')
    const message = await page
      .locator('input')
      .evaluate((input: HTMLInputElement) => input.validationMessage)
    expect(message).toBe('It is not complete yet; a digit is missing.')
  })
  test('reset brings back what was there', async () => {
    const page = await field(FORM.replace('required', 'value="2065550142"'))
    expect(await page.inputValue('input')).toBe('(206) 555-0142')
    await page.keyboard.press('End')
    await page.keyboard.press('Backspace')
    expect((await state(page)).status).toBe('partial')
    await page.click('button[type=reset]')
    await expect.poll(() => page.inputValue('input')).toBe('(206) 555-0142')
    expect((await state(page)).status).toBe('complete')
  })
  test('a form that the browser restores', async () => {
    const page = await field(FORM, phone(`{ submit: 'plain' }`))
    await page.keyboard.type('2065550142')
    await page.keyboard.press('Enter')
    await page.waitForURL(/sent/)
    await page.goBack()
    await page.waitForSelector('body[data-ready]')
    await expect.poll(() => page.inputValue('input')).toBe('(206) 555-0142')
    await expect.poll(async () => (await state(page)).value).toBe('2065550142')
  })
  test('detached, the input is as it was', async () => {
    const page = await field(
      '<input inputmode="text" maxlength="20" aria-describedby="hint"><p id="hint">As on your pass</p>',
    )
    await page.keyboard.type('2065550142')
    await page.evaluate(() => (window as unknown as InPage).fields['phone']!.detach())
    const attributes = await page
      .locator('input')
      .evaluate((input) =>
        [...input.attributes].map(({ name, value }) => `${name}=${value}`).sort(),
      )
    expect(attributes).toEqual(['aria-describedby=hint', 'inputmode=text', 'maxlength=20'])
    expect(await page.locator('[role=status]').count()).toBe(0)
    await page.keyboard.type('x')
    expect(await page.inputValue('input')).toBe('(206) 555-0142x')
  })
})

describe('hidden values', () => {
  const CARD = `<form action="/sent"><label>Card <input name="card"></label><button>Send</button></form>`
  const script = `fields.card = attach(document.querySelector('input'), mask('{4} {4} {4} {4}'), { secret: { last: 4 }, submit: 'plain' })`
  test('are hidden when the field is left, shown when one comes back, and submitted whole', async () => {
    const page = await field(CARD, script)
    await page.keyboard.type('4111111111111111')
    expect(await page.inputValue('input')).toBe('4111 1111 1111 1111')
    await page.focus('button')
    expect(await page.inputValue('input')).toBe('•••• •••• •••• 1111')
    expect(await state(page, 'card')).toMatchObject({ value: '4111111111111111' })
    await page.focus('input')
    expect(await page.inputValue('input')).toBe('4111 1111 1111 1111')
    await page.click('button')
    await page.waitForURL(/sent/)
    expect(new URL(page.url()).searchParams.get('card')).toBe('4111111111111111')
  })
  test('a definition that calls itself secret does the same', async () => {
    const page = await field(
      CARD,
      `fields.card = attach(document.querySelector('input'), identifier({ stored: '{8}', sensitivity: 'secret', reveal: 'last 2' }))`,
    )
    await page.keyboard.type('12345678')
    await page.locator('input').blur()
    expect(await page.inputValue('input')).toBe('••••••78')
  })
})

describe('for everyone', () => {
  test('roles, descriptions and states that assistive technology reads', async () => {
    const page = await field(
      `${PHONE}<p id="hint">Where we reach you</p>`.replace(
        '<input',
        '<input aria-describedby="hint"',
      ),
    )
    await page.keyboard.type('206')
    expect(await page.getAttribute('input', 'aria-invalid')).toBe('false')
    await page.locator('input').blur()
    expect(await page.getAttribute('input', 'aria-invalid')).toBe('true')
    const ids = (await page.getAttribute('input', 'aria-describedby'))!.split(' ')
    expect(ids[0]).toBe('hint')
    expect(await page.locator(`#${ids[1]}`).textContent()).toBe(
      'It is not complete yet; a digit is missing.',
    )
    expect(await page.locator(`#${ids[1]}`).getAttribute('role')).toBe('status')
  })
  test('nothing that axe finds, in any state', async () => {
    const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
    const page = await field(`<h1>Crew</h1>${PHONE}`)
    await page.evaluate(axe)
    for (const keys of ['', '206', 'x', '5550142']) {
      await page.keyboard.type(keys)
      const found = await page.evaluate(async () => {
        const { violations } = await (window as unknown as InPage).axe.run()
        return violations.map(({ id }) => id)
      })
      expect(found).toEqual([])
    }
  })
  test('on a page that is read from the right', async () => {
    const page = await field(`<div dir="rtl">${PHONE}</div>`)
    await page.keyboard.type('2065')
    expect(await seen(page)).toBe('(206) 5|')
    const { direction, textAlign } = await page.locator('input').evaluate((input) => {
      const style = getComputedStyle(input)
      return { direction: style.direction, textAlign: style.textAlign }
    })
    expect([direction, textAlign]).toEqual(['ltr', 'right'])
  })
  test('on a phone', async () => {
    const page = await field(PHONE, phone(`{ autocomplete: 'tel-national' }`), devices['Pixel 7']!)
    await page.tap('input')
    expect(await page.getAttribute('input', 'inputmode')).toBe('numeric')
    expect(await page.getAttribute('input', 'autocomplete')).toBe('tel-national')
    const devtools = await page.context().newCDPSession(page)
    for (const text of ['2', '0', '6', '5']) await devtools.send('Input.insertText', { text })
    expect(await seen(page)).toBe('(206) 5|')
  })
  test('an input that has no selection is refused with the way out', async () => {
    const page = await here.open(
      '<input type="number">',
      `try { attach(document.querySelector('input'), mask('{3}')) } catch (error) { fields.error = error.message }`,
    )
    expect(await page.evaluate(() => (window as unknown as InPage).fields.error)).toMatch(
      /type="text"/,
    )
  })
})

describe('written by hand', () => {
  test('<sornak-field>', async () => {
    const page = await here.open(
      `<form action="/sent"><label>Crew <sornak-field mask="HS-{5}" name="crew" submit="plain"></sornak-field></label>
       <label>Mobile <sornak-field identifier="phone/za" submit="stored"><input name="mobile"></sornak-field></label><button>Send</button></form>`,
      '',
    )
    await page.fill('input[name=crew]', '00417')
    expect(await page.inputValue('input[name=crew]')).toBe('HS-00417')
    await page.focus('input[name=mobile]')
    await page.keyboard.type('+27215550123')
    await page.click('button')
    await page.waitForURL(/sent/)
    expect(Object.fromEntries(new URL(page.url()).searchParams)).toEqual({
      crew: '00417',
      mobile: '0215550123',
    })
  })
  test('character masks alone, from plain data', async () => {
    const page = await field(
      PHONE,
      `const data = JSON.parse(JSON.stringify(written([mask('{2 upper}-{3}').nodes]))); fields.phone = attachCharacters(document.querySelector('input'), data)`,
    )
    await page.keyboard.type('ab417')
    expect(await seen(page)).toBe('AB-417|')
    expect(await state(page)).toMatchObject({ value: 'AB417', status: 'complete' })
  })
})
