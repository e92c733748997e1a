<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Judging, signing, superseding and evidence that moves, and what to buy, in the real pages. */
final class EvidenceTest extends BrowserTestCase
{
    public function test_a_claim_is_judged_signed_moved_and_followed_by_a_new_verdict(): void
    {
        $this->enter(self::TOBIAS, '/evidence/5');
        $this->see('Track: stands');
        $this->see('What would settle it');
        $this->see('“too high” was asked once');
        $this->see('No pair below pH 4.9');
        $this->see('On the shelf, and worth reading next');
        $this->see('Most of the spread is sampling');
        $this->see('Of what is not ground: sampling');
        $this->see('4 pairs of duplicate composites');
        $this->see('Passing and Bablok');
        $this->see('On the whole it reads higher');
        $this->see('Signed stands by Tobias Wren');

        $this->open('/decide');
        $this->see('signed stands');
        $this->click("//tr[contains(., 'Reedmace pH pen')]//a[normalize-space()='signed stands']");
        $this->see('It may be used, within its scope.');
        $this->see('The pairs it rests on');
        $this->see('for another lot or season it was never asked');
        self::$servers
            ->database()
            ->exec(
                'INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, corrects_id, value, as_reported, '.
                    'read_on, reader, flags, note, lot, method_version_id, run_id) SELECT team_id, sample_id, portion_id, '.
                    "method_id, created_by, id, value, as_reported, read_on, reader, '[\"pen-drift\"]', note, lot, ".
                    'method_version_id, run_id FROM readings WHERE id = (SELECT MIN(id) FROM readings WHERE method_id = 5)',
            );
        $this->open('/decide');
        $this->see('evidence has moved');
        $this->open('/evidence/5');
        $this->see('New evidence since.');
        $this->click("//section[@aria-label='track']//button[normalize-space()='Sign what it says now']");
        $this->see('Signed, it is never changed');
        $this->see('It will speak for');
        $this->type('Your password, once more', self::PASSWORD);
        $this->press('Sign as stands');
        $this->miss('Signed, it is never changed');
        $this->open('/decide/verdicts/2');
        $this->see('a newer verdict follows it');
        self::assertSame('', $this->complaints());
    }

    /** A new lot is not asked until it has pairs of its own, and is carried over by signing what they say. */
    public function test_a_verdict_is_carried_over_to_a_new_lot(): void
    {
        $database = self::$servers->database();
        $database->exec("UPDATE methods SET lot = 'P-2' WHERE id = 5");
        $this->enter(self::TOBIAS, '/evidence/5');
        $this->see('Lot P-2 is not asked: 0 of 5 pairs of its own; 5 more would carry the verdict over.');
        $this->click("//section[@aria-label='track']//button[contains(normalize-space(), 'Sign')]");
        $this->miss('lot P-2, ');
        $this->type('Your password, once more', self::PASSWORD);
        $this->press('Sign as stands');
        $this->see('It was not asked for lot P-2.');
        $this->open('/decide');
        $this->see('not asked for lot P-2');

        foreach (['0.01', '-0.01'] as $off) {
            $database->exec(
                'INSERT INTO readings (team_id, sample_id, portion_id, method_id, created_by, value, as_reported, read_on, reader, '.
                    "flags, note, lot, created_at) SELECT team_id, sample_id, portion_id, method_id, created_by, value + {$off}, ".
                    "as_reported, '2026-10-1' || (id % 7), reader, '[]', '', 'P-2', created_at FROM readings WHERE id IN ".
                    "(SELECT MIN(id) FROM readings WHERE method_id = 5 AND flags = '[]' AND lot <> 'P-2' GROUP BY sample_id ".
                    'ORDER BY sample_id LIMIT 6)',
            );
        }
        $this->open('/evidence/5');
        $this->see('New evidence since.');
        $this->click("//section[@aria-label='track']//button[normalize-space()='Sign what it says now']");
        $this->see('lot P-2');
        $this->type('Your password, once more', self::PASSWORD);
        $this->press('Sign as stands');
        $this->miss('It was not asked for lot P-2.');
        self::assertSame('', $this->complaints());
    }

    /**
     * Each drawing has its figures in words and in a table, and the strip says what a card cut by a limit may mean
     * besides.
     */
    public function test_every_drawing_can_be_read_without_seeing_it(): void
    {
        $this->enter(self::MAREN, '/evidence/1');
        $this->see('QH26-04-X');
        $row = $this->find("//tr[contains(., 'QH26-04-X') and contains(., '6.10')]")->getText();
        self::assertStringContainsString('both too high', $row);
        self::assertStringContainsString('or leave, by the card', $row, 'a limit of 5.5 cuts the band of 5.5');
        $this->see('Bands have no line.');
        $this->see('Of what is not ground: sampling');
        $table = $this->find("//table[contains(., 'sampling and analysis')]")->getText();
        self::assertMatchesRegularExpression(
            '/sampling 0\.0\d\d 0\.0\d\d under 1/u',
            (string) preg_replace('/[\s\x{2009}]+/u', ' ', $table),
        );

        $this->open('/evidence/5');
        $this->see('Deming, errors as');
        $summaries = $this->browser->findElements(WebDriverBy::xpath("//summary[normalize-space()='As a table']"));
        self::assertCount(2, $summaries, 'the differences and the agreement');
        foreach ($summaries as $summary) {
            $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$summary]);
            $summary->sendKeys(WebDriverKeys::ENTER);
        }
        $lines = $this->find("//table[contains(., 'Passing and Bablok')]")->getText();
        self::assertMatchesRegularExpression(
            '/Deming, equal errors.*Deming, errors as [\d.]+ to 1.*Passing and Bablok.* to .* to /s',
            $lines,
        );
        foreach (
            [
                "//table[contains(., 'Reference') and contains(., 'QH26-12-X') and contains(., '6.08')]",
                "//table[contains(., 'Difference') and contains(., 'QH26-12-X') and contains(., 'same')]",
            ] as $table
        ) {
            self::assertTrue($this->find($table)->isDisplayed());
        }
        self::assertTrue(
            $this->browser->executeScript(
                'return [...document.querySelectorAll("main svg[role=img]")].every((one) => '.
                    '(one.getAttribute("aria-label") ?? "").length > 10)',
            ),
            'every drawing says what it shows',
        );
        self::assertSame('', $this->complaints());
    }

    public function test_a_policy_shows_what_it_would_have_changed_and_strategies_turn_with_the_cost_of_a_mistake(): void
    {
        $this->enter(self::TOBIAS, '/decide');
        $this->see('Set before any pair was there.');
        $this->press('Set a new version');
        $this->see('The evidence is looked at');
        $this->press('See what it would have changed');
        $this->see('signed verdicts would have been another');
        $this->click("//label[contains(., 'after every pair')]");
        $this->press('Leave it');
        $this->press('What to buy next season');
        $this->see('How the answer turns with the cost of a mistake');
        $this->see('Lab for all');
        $this->click("//label[contains(., 'Lab’s fee')]//input");
        $this->type('Lab’s fee', '0');
        $this->press('Compare');
        $this->see('Lab for all: cheapest at');
        self::assertSame('', $this->complaints());
    }

    public function test_a_lab_stands_beside_a_lab_and_a_kit_of_potassium_beside_its_lab(): void
    {
        $this->enter(self::MAREN, '/evidence');
        $this->click("//nav[@aria-label='Tests']//a[contains(., 'Alder Bank Laboratory, pH water')]");
        $this->see('measured against Fennick Soil Laboratory');
        $this->see('Second lab');
        $this->click("//nav[@aria-label='Tests']//a[contains(., 'Sill drop count')]");
        $this->see('kit build up, lab none');
        $this->see('would have been sent to “build up”');
        $this->click("//nav[@aria-label='Tests']//a[contains(., 'Crock fizz pair')]");
        $this->see('Sort: unable');
        $this->click("//nav[@aria-label='Tests']//a[contains(., 'ammonium')]");
        $this->see('it stays untested');
        self::assertSame('', $this->complaints());
    }
}
