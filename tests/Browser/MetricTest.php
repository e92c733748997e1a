<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Ground that is worked in metres and kilograms shows no inch, foot, acre, pound or ton of another kind, on any page. */
final class MetricTest extends BrowserTestCase
{
    /** All words of a page: what it says, what its fields hold and are called, what its lists offer. */
    private const WORDS = <<<'JS'
    const found = []
    const walker = document.createTreeWalker(document.querySelector('main') ?? document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        if (node.parentElement.closest('script, style, [data-as-written]')) continue
        const around = node.parentElement.closest('p, td, th, li, label, option, text, h1, h2, h3, button') ?? node.parentElement
        found.push((around.querySelector('[data-as-written]') ? node : around).textContent)
    }
    for (const one of document.querySelectorAll('[aria-label], [title], [placeholder]')) {
        found.push(one.getAttribute('aria-label') ?? '', one.getAttribute('title') ?? '', one.getAttribute('placeholder') ?? '')
    }
    for (const one of document.querySelectorAll('input, textarea')) found.push(one.value)
    return [...new Set(found.map((text) => text.replace(/\s+/g, ' ').trim()))].filter(Boolean)
    JS;

    /** Units after a figure or a comma, and words of them that mean nothing else. */
    private const IMPERIAL = '#(?:\d|,)\s?(?:in|ft|feet|foot)(?=$|[,.;:)]| [a-z]+ed\b| deep| apart)|\d[–-]\d+\s?in\b|'.
        '\b(?:inch(?:es)?|acres?|ac|lbs?|pounds?|tons?|sq ft|1000sqft|gal|gallons?|oz|ounces?|bushels?|bu|yards?|miles?)\b#iu';

    /** Another site is made metric, and a program of its ground is signed since. */
    private const TURN = <<<'JS'
    const done = arguments[0]
    const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
    const ask = (path, options = {}) => fetch(`/api${path}`, {
        headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
        ...options,
    }).then(async (answer) => ({ status: answer.status, it: await answer.json() }))
    const turn = async () => {
        for (const { id } of (await ask('/sites')).it) {
            const { it: site } = await ask(`/sites/${id}`)
            const body = JSON.stringify({ ...site, units: 'metric' })
            const { status, it } = await ask(`/sites/${id}`, { method: 'PUT', body })
            if (status !== 200) return JSON.stringify(it)
        }
        const { it: program } = await ask('/areas/2/program')
        const { choices, hash, follows_id } = program
        const signed = await ask('/areas/2/program/sign', {
            method: 'POST', body: JSON.stringify({ choices, hash, follows_id, note: '', password: 'soil-and-lime' }),
        })
        return signed.status === 201 ? signed.it.id : JSON.stringify(signed.it)
    }
    turn().then(done, (error) => done(String(error)))
    JS;

    /** @return iterable<string, array{string, string}> */
    private static function pages(int $program): iterable
    {
        foreach (PagesTest::pages() as $name => $page) {
            yield $name => $name === 'signed program' ? ["/programs/{$program}", $page[1]] : $page;
        }
        yield 'pull' => ['/pull/19', 'Core 1'];
        foreach (['sulphur', 'nutrients', 'nitrogen', 'units', 'volume'] as $tool) {
            yield "reckoner of {$tool}" => ["/reckoner/{$tool}", 'Working'];
        }
        foreach (['nutrient-limits', 'nitrogen', 'sulphur', 'lime-schools', 'lime-smp', 'program-rules'] as $table) {
            yield "table {$table}" => ["/tables?table={$table}", 'As it ships'];
        }
    }

    public function test_no_page_of_a_metric_site_shows_an_inch(): void
    {
        $this->enter(self::TOBIAS);
        $program = $this->browser->executeAsyncScript(self::TURN);
        self::assertIsInt($program, (string) $program);
        $found = [];
        foreach (self::pages($program) as $name => [$path, $words]) {
            $this->open($path);
            $this->see($words);
            foreach ((array) $this->browser->executeScript(self::WORDS) as $text) {
                if (preg_match(self::IMPERIAL, (string) $text, $match, PREG_OFFSET_CAPTURE) === 1) {
                    $at = max(0, $match[0][1] - 60);
                    $found[] = "{$name}: …".mb_strcut((string) $text, $at, 150);
                }
            }
        }
        self::assertSame([], array_values(array_unique($found)));
    }
}
