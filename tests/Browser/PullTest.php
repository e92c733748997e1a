<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** The pull page on a phone, 390x844. */
final class PullTest extends BrowserTestCase
{
    public function test_core_by_core_to_a_composite(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN, '/pull/19');
        $this->see('0 of 18 pulled');
        $this->see('The walk starts here');
        for ($i = 1; $i <= 3; $i++) {
            $this->see("Core {$i}");
            $this->press('Pulled');
        }
        $this->see('3 of 18 pulled');
        self::assertMatchesRegularExpression('/\d+ ft\s+(north|south|east|west)/', $this->text());
        $this->press('Moved');
        $this->press('Refused');
        $this->press('stone');
        $this->see('4 of 18 pulled');
        $this->see('1 moved, 1 refused');
        $this->press('Undo core 5');
        $this->see('Core 5');
        $this->miss('1 refused');
        $this->press('Refused');
        $this->press('root');
        $this->browser->navigate()->refresh();
        $this->see('Core 6');
        $this->see('4 of 18 pulled');
        for ($i = 6; $i <= 18; $i++) {
            $this->see("Core {$i}");
            $this->press('Pulled');
        }
        $this->see('All 18 cores are done');
        $this->press('Make the composite');
        $this->see('17 cores of 18');
        self::assertMatchesRegularExpression('/QH26-19L-\w lab portion/', $this->text());
        $this->press('Print the labels');
        $this->see('Old orchard below the barn');
        self::assertSame('', $this->complaints());
    }

    public function test_what_is_pressed_in_the_field_is_large_enough_for_gloves_and_nothing_runs_over(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN, '/pull/18');
        $this->see('Core 1');
        foreach ($this->browser->findElements(WebDriverBy::cssSelector('.phone button')) as $button) {
            if ($button->isDisplayed()) {
                self::assertGreaterThanOrEqual(52, $button->getSize()->getHeight(), $button->getText());
            }
        }
        self::assertLessThanOrEqual(390, $this->browser->executeScript('return document.documentElement.scrollWidth'));
    }

    public function test_a_hand_in_that_fails_keeps_every_core(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN);
        $plan = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[0]
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
            const ask = (path, options) => fetch(`/api${path}`, { headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token }, ...options }).then((answer) => answer.json())
            ask('/plans/18').then(({ spec }) => ask('/areas/4/plans', { method: 'POST', body: JSON.stringify(spec) })).then(({ id }) => done(id))
            JS);
        self::assertIsInt($plan);
        $this->open("/pull/{$plan}");
        for ($i = 1; $i <= 15; $i++) {
            $this->see("Core {$i}");
            $this->press('Pulled');
        }
        $this->see('All 15 cores are done');
        $this->browser->manage()->deleteAllCookies();
        $this->press('Make the composite');
        $this->see('You were signed out');
        $this->type('Password', 'soil-and-lime');
        $this->press('Sign in');
        $this->miss('You were signed out');
        $this->see('All 15 cores are done');
        $this->press('Make the composite');
        $this->see('15 cores of 15');
    }
}
