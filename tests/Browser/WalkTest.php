<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Every page at the sizes of a desk, a small screen and a phone: nothing scrolls sideways, and what machines can tell of access holds. */
final class WalkTest extends BrowserTestCase
{
    private const WIDTHS = [1280, 1024, 390];

    /** What 1280 is at twice the size of its letters. */
    private const TWICE = 640;

    /** Pages that are opened outdoors or standing: what is pressed there takes a thumb. */
    private const STANDING = [
        'today', 'areas', 'plans', 'pull list', 'pull', 'scan', 'sample', 'consignment', 'run over', 'spreading log', 'program',
        'signed program', 'evidence',
    ];

    /** What is pressed and is lower than a thumb, but for links within sentences and lists. */
    private const SMALL = <<<'JS'
    return [...document.querySelectorAll('button, select, input, textarea, a, summary')].flatMap((one) => {
        const target = one.closest('.el-input__wrapper, .el-select__wrapper') ??
            (['checkbox', 'radio', 'file'].includes(one.type) ? one.closest('label, .pick') : null) ?? one
        const { width, height } = target.getBoundingClientRect()
        const hidden = !width || !height || one.closest('.sr, .skip, [inert], .ol-viewport')
        const inText = (one.tagName === 'A' || one.classList.contains('link')) && one.closest('p, li, td, dd')
        const says = one.getAttribute('aria-label') ?? one.textContent.trim().slice(0, 40)
        return hidden || inText || height >= 43.5 ? [] : [`${says} ${Math.round(height)}`]
    })
    JS;

    /** @return iterable<string, array{string, string}> */
    private static function pages(): iterable
    {
        yield from PagesTest::pages();
        yield 'account' => ['/account', 'Where you are signed in'];
        yield 'people' => ['/people', 'Invite somebody'];
        yield 'help' => ['/help', 'The work, in its order'];
        yield 'sites' => ['/settings', 'Whose ground it is'];
        yield 'what was done' => ['/people/log', 'Written once'];
        yield 'what was changed' => ['/changes', '27 Nov 2026'];
        yield 'pull' => ['/pull/19', 'Core 1'];
        yield 'practice' => ['/practice', 'Eight lessons'];
        yield 'a composite that is gone' => ['/samples/99999', 'This is not there'];
    }

    public function test_no_page_scrolls_sideways_and_none_breaks_a_rule_of_access(): void
    {
        $this->enter(self::MAREN);
        $found = [];
        foreach (self::pages() as $name => [$path, $words]) {
            $this->screen(self::WIDTHS[0], 800);
            $this->open($path);
            $this->see($words);
            $found = [...$found, ...$this->breaches($name, self::WIDTHS)];
        }
        self::assertSame([], $found);
    }

    public function test_at_twice_the_size_nothing_scrolls_sideways_and_a_thumb_meets_what_it_presses(): void
    {
        $this->enter(self::MAREN);
        $found = [];
        foreach (self::pages() as $name => [$path, $words]) {
            $this->screen(self::TWICE, 800);
            $this->open($path);
            $this->see($words);
            $wide = $this->browser->executeScript('return document.documentElement.scrollWidth');
            if ($wide > self::TWICE) {
                $found[] = "{$name} at twice the size: {$wide} wide";
            }
            if (in_array($name, self::STANDING, true)) {
                $this->screen(390, 844);
                foreach ((array) $this->browser->executeScript(self::SMALL) as $one) {
                    $found[] = "{$name}: {$one}";
                }
            }
        }
        self::assertSame([], $found);
    }

    public function test_what_is_dark_can_still_be_read(): void
    {
        $this->enter(self::MAREN);
        $this->browser->executeScript("localStorage.setItem('honest-core:scheme', 'dark')");
        $found = [];
        foreach (self::pages() as $name => [$path, $words]) {
            $this->open($path);
            $this->see($words);
            $found = [...$found, ...$this->breaches($name, [1280], ['runOnly' => ['color-contrast']])];
        }
        self::assertSame([], $found);
    }
}
