<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/** From what was spread to what came of it, in the real interface. */
final class FollowUpTest extends BrowserTestCase
{
    private const CORN = '/follow-up/areas/9';

    public function test_a_series_is_read_by_keyboard_and_nothing_is_drawn_across_a_break(): void
    {
        $this->enter(self::MAREN, self::CORN);
        $this->see('5 rounds of pH, 1 break: nothing is drawn across one.');
        $chart = $this->find("//*[name()='svg' and @role='application']");
        $chart->sendKeys(WebDriverKeys::HOME);
        $this->see('12 Oct 2021, treated: 5.62 ± 0.11, 1 composite, Fennick Soil Laboratory');
        $chart->sendKeys(WebDriverKeys::ARROW_RIGHT);
        $this->see('Corn ground, strip along the willows: 5.66');
        $this->see('The lab changed, from Fennick Soil Laboratory to Alder Bank Laboratory.');
        $this->see('Stretch 2: 2 rounds: fewer than three are no trend.');
        $this->see('8 Sep 2026, Reedmace pH pen: 6.36, changed more than its noise');
        $lines = $this->browser->executeScript("return document.querySelectorAll('svg path.line').length");
        self::assertSame(4, $lines, 'two stretches of the ground, two of its control');
        $csv = (string) $this->browser->executeAsyncScript(
            'const done = arguments[0]; fetch(document.querySelector("a[download]").href).then((it) => it.text()).then(done)',
        );
        self::assertStringContainsString('result,treated,2021-10-12,5.62', $csv);
        $this->choose('Of what', 'phosphorus');
        $this->see('3 rounds of phosphorus');
        $this->open('/follow-up/answers');
        $this->see('Wicker Lea , season');
        $this->see('of signed programs can be answered');
        self::assertSame('', $this->complaints());
    }

    public function test_what_came_of_each_program_is_said_and_the_retest_is_planned_in_one_step(): void
    {
        $this->enter(self::MAREN, self::CORN);
        $this->see('As expected: +0.91 against +0.88.');
        $this->click("//a[normalize-space()='Did it work']");
        $this->see('Not seen: +0.01 against +0.86.');
        $this->see('treated +0.74, Bean rows, last row by the hedge +0.73');
        $this->see('No change is seen: −0.02.');
        $this->see('Nothing is compared across a break.');
        $this->miss('Nothing was pulled since it was spread.');
        $this->press('Show 2 lines that cannot be answered yet');
        $this->see('Nothing was pulled since it was spread.');
        $this->click("//article[contains(., 'Bean rows under the sprinkler: Lime')]//button[contains(., 'Plan that retest')]");
        $this->see('Plan');
        $this->until(fn (): bool => str_ends_with((string) $this->browser->getCurrentURL(), '/plans/11'), 'the plan of the bean rows');
        $made = self::$servers->database()->query('SELECT area_id FROM plans ORDER BY id DESC LIMIT 2');
        self::assertNotFalse($made);
        self::assertEqualsCanonicalizing([11, 12], array_map(intval(...), $made->fetchAll(\PDO::FETCH_COLUMN)), 'and of its control');
        self::assertSame('', $this->complaints());
    }

    public function test_a_strip_is_left_untreated_and_a_problem_brings_the_next_test_forward(): void
    {
        $this->enter(self::MAREN, '/follow-up/areas/1');
        $this->see('Terrace beds above the house');
        $this->see('No strip is left untreated here.');
        $this->press('Leave a strip untreated');
        $this->press('Leave it untreated');
        $this->see('Name the strip, so that it can be found again.');
        $this->type('Name', 'Top bed, the far end');
        $this->press('Leave it untreated');
        $this->see('Top bed, the far end, since');
        $this->type('A problem', 'Water stood for a week');
        $this->press('Note it');
        $this->see('Water stood for a week');
        $this->click("//a[normalize-space()='Retests']");
        $this->find("//tr[contains(., 'Terrace beds above the house')][contains(., 'A problem was noted: Water stood for a week')]");
        self::assertSame('', $this->complaints());
    }

    public function test_a_strip_is_drawn_and_becomes_ground_that_is_pulled_by_itself(): void
    {
        $this->enter(self::MAREN, '/follow-up/areas/2');
        $this->see('Long Meadow, west slope');
        $this->press('Leave a strip untreated');
        $this->choose('It is', 'drawn on the map');
        $this->type('Name', 'Long Meadow, strip at the lower edge');
        $this->see('Click its corners');
        $this->clickOnMap([[-60, 20], [60, 20], [60, 40], [-60, 40], [-60, 40]]);
        $this->press('Leave it untreated');
        $this->see('Long Meadow, strip at the lower edge, since');
        $made = self::$servers->database()->query("SELECT COUNT(*) FROM areas WHERE name = 'Long Meadow, strip at the lower edge'");
        self::assertNotFalse($made);
        self::assertSame(1, (int) $made->fetchColumn());
        self::assertSame('', $this->complaints());
    }

    public function test_schools_are_held_against_the_ground_by_a_rule_that_stands_on_the_page(): void
    {
        $this->enter(self::TOBIAS, '/follow-up/schools');
        $this->see('Lime by the Mehlich buffer');
        $this->see('2 of 8 programs answered beside a control.');
        $this->see('The rule, written down on 29 Nov 2026, before any data');
        $this->miss('Use it from now on');
        self::assertSame('', $this->complaints());
    }

    public function test_a_campaign_is_moved_by_keyboard_and_by_dragging_and_subscribed_to(): void
    {
        $this->enter(self::MAREN, '/follow-up/campaign');
        $this->see('Heather bank below the old kiln');
        $week = fn (): string => $this->find("//tr[.//button[starts-with(normalize-space(), 'Heather bank below')]]/td[1]")->getText();
        $first = $week();
        $this->find("//button[starts-with(normalize-space(), 'Heather bank below')]")->sendKeys(WebDriverKeys::ARROW_DOWN);
        $this->until(static fn (): bool => $week() !== $first, 'the week after');
        $second = $week();
        // The driver's mouse begins no drag in a browser without a screen: the page gets the events that one would give it.
        $this->browser->executeScript(
            <<<'JS'
            const [button, row] = arguments
            const data = new DataTransfer()
            const give = (to, name) => to.dispatchEvent(new DragEvent(name, { bubbles: true, cancelable: true, dataTransfer: data }))
            give(button, 'dragstart')
            give(row, 'dragover')
            give(row, 'drop')
            give(button, 'dragend')
            JS
            ,
            [
                $this->find("//button[starts-with(normalize-space(), 'Heather bank below')]"),
                $this->find('//table/tbody/tr[5]'),
            ],
        );
        $this->until(static fn (): bool => ! in_array($week(), [$first, $second], true), 'the fifth week');
        $this->find("//button[starts-with(normalize-space(), 'Heather bank below')]")->sendKeys(WebDriverKeys::DELETE);
        $this->until(static fn (): bool => $week() === $first, 'where the rule had it');
        $this->type('Whose calendar', 'The barn');
        $this->press('Open an address');
        $this->see('it is shown this once');
        $address = $this->find("//p[contains(@class, 'opened')]//code")->getText();
        $this->see('The barn, opened by Maren Oakhurst');
        $read = fn (): string => (string) $this->browser->executeAsyncScript(
            'const [address, done] = arguments; fetch(address, { credentials: "omit" }).then((it) => it.text()).then(done)',
            [$address],
        );
        self::assertStringContainsString('SUMMARY:Pull Heather bank below the old kiln\, Wicker Lea', $read());
        $this->press('Withdraw');
        $this->miss('The barn, opened by');
        self::assertStringContainsString('was withdrawn', $read());
    }
}
