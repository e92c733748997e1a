<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/**
 * The whole path at 1280x800, as a new user walks it: from an area drawn with the mouse to a signed verdict and a
 * recommendation.
 */
final class PathTest extends BrowserTestCase
{
    private const NAME = 'Sheep fold above the spring';

    public function test_from_an_area_to_a_verdict(): void
    {
        $this->enter(self::MAREN, '/areas');
        $this->drawArea();
        $areaId = (int) $this->browser->executeScript('return new URLSearchParams(location.search).get("area")');
        $planId = $this->plan($areaId);
        $code = $this->pull($planId);
        $this->labels($code);
        $this->bench($code);
        $this->reports($code);
        $this->evidence($code);
        $this->recommendation($areaId, $code);
        self::assertSame('', $this->complaints());
    }

    public function test_the_recommendation_follows_material_and_prints_clean(): void
    {
        $this->enter(self::MAREN, '/prescribe/1/lime');
        $this->see('0.7 tons/acre');
        $this->see('1.6 tons/acre');
        $this->type('Carbonate equivalent, %', '45'.WebDriverKeys::TAB);
        $this->see('1.4 tons/acre');
        $this->see('Lime dust burns eyes and lungs');
        (new \Facebook\WebDriver\Chrome\ChromeDevToolsDriver($this->browser))->execute('Emulation.setEmulatedMedia', [
            'media' => 'print',
        ]);
        $this->miss('Sign out');
        $this->miss('Follow up');
        self::assertStringContainsString('How much of this stone, by the schools', $this->text());
    }

    public function test_the_reviewer_sets_a_new_version_of_the_policy(): void
    {
        $this->enter(self::TOBIAS, '/decide');
        $this->press('Set a new version');
        $this->type('Right action needed, %', '90');
        $this->press('Set version 2');
        $this->see('Say why the policy changes');
        self::assertSame(
            '90',
            $this->field('Right action needed, %')->getAttribute('value'),
            'what was typed is still there',
        );
        $this->type('Why it changes', 'The growers asked for nine in ten.');
        $this->press('Set version 2');
        $this->see('Policy for pH, version 2');
        $this->see('Earlier versions');
    }

    private function drawArea(): void
    {
        $this->see('5 sampling areas');
        $this->press('Draw an area');
        $this->see('Click the corners');
        $map = $this->find("//*[contains(@class, 'ol-viewport')]");
        $corners = [[-200, 120], [-90, 130], [-80, 210], [-190, 200], [-200, 120]];
        $this->clickMap($map->getID(), array_slice($corners, 0, 3));
        $this->until(
            fn (): bool => preg_match('/double-click ends\. \d\.\d\d ac \(\d\.\d\d ha\)/', $this->text()) === 1,
            'the extent while drawing',
        );
        $this->clickMap($map->getID(), array_slice($corners, 3));
        $this->see('Drag corners');
        $this->type('Name', 'field 1');
        $this->choose('Use', 'orchard');
        $this->type('History', 'Lambing ground until 2015; dung heaps along the wall.');
        $this->press('Add the area');
        $this->see('can be renumbered and lost');
        self::assertStringContainsString(
            'Lambing ground',
            (string) $this->field('History')->getAttribute('value'),
            'what was typed is still there',
        );
        $this->type('Name', self::NAME);
        $this->press('Add the area');
        $this->see('6 sampling areas');
        $this->until(
            fn (): bool => str_contains((string) $this->browser->getCurrentURL(), 'area='),
            'the new area chosen',
        );
    }

    /** @param list<array{int, int}> $points from the middle of the map */
    private function clickMap(string $id, array $points): void
    {
        $map = $this->browser->findElement(WebDriverBy::xpath("//*[contains(@class, 'ol-viewport')]"));
        foreach ($points as [$x, $y]) {
            (new WebDriverActions($this->browser))->moveToElement($map, $x, $y)->click()->perform();
        }
    }

    /** A meadow under the plough: phosphate is sized when crop and yield are chosen, and not before. */
    public function test_phosphate_is_sized_for_the_crop_that_is_chosen(): void
    {
        $database = self::$servers->database();
        $database->exec("UPDATE areas SET \"use\" = 'corn' WHERE id = 2");
        $this->enter(self::MAREN, '/prescribe/2/lime');
        $this->see('Choose the crop and a yield');
        $this->miss('P2O5');
        $this->choose('Crop to size for', 'soybean');
        $this->see('Without a yield what the crop removes is not known');
        $this->type('Yield, bushels/acre', '50'.WebDriverKeys::TAB);
        $this->see('For soybean at 50 bushels an acre');
        $this->see('P2O5');
        $database->exec("UPDATE areas SET \"use\" = 'pasture' WHERE id = 2");
    }

    private function plan(int $areaId): int
    {
        $this->open("/plans/{$areaId}");
        $this->see('Plan not saved yet');
        $this->until(fn (): bool => $this->fact('cores') === '12', 'a first draft by the school of the site');
        $margin = $this->fact('margin');
        $this->type('Cores in the composite', '24'.WebDriverKeys::TAB);
        $this->until(fn (): bool => $this->fact('cores') === '24', 'the draft with 24 cores');
        self::assertNotSame($margin, $this->fact('margin'));
        // Each walk is waited for before the next is asked for, so that none is taken for another's.
        foreach (['W', 'Random'] as $pattern) {
            $walk = $this->fact('walk');
            $this->press($pattern);
            $this->until(fn (): bool => $this->fact('walk') !== $walk, "another walk for {$pattern}");
        }
        $this->press('Save the plan');
        $this->see('Plan saved');
        [$walk, $seed] = [$this->fact('walk'), $this->find("//*[contains(text(), 'seed ')]")->getText()];
        $planId = (int) $this->browser->executeScript('return new URLSearchParams(location.search).get("plan")');
        $this->open('/areas');
        $this->see('6 sampling areas');
        $this->open("/plans/{$areaId}?plan={$planId}");
        $this->see('Plan saved');
        self::assertSame(
            [$walk, $seed],
            [$this->fact('walk'), $this->find("//*[contains(text(), 'seed ')]")->getText()],
            'opened again it is the same plan',
        );

        return $planId;
    }

    private function pull(int $planId): string
    {
        $this->press('Pull it');
        $this->until(
            fn (): bool => str_ends_with((string) $this->browser->getCurrentURL(), "/pull/{$planId}"),
            'the pull page',
        );
        $this->open('/pull');
        $this->click("//tr[contains(., '".self::NAME."')]//button[normalize-space()='Enter it at the desk']");
        $this->type('Cores pulled, of 24', '23'.WebDriverKeys::TAB);
        $this->press('Make the composite');
        $this->see('23 of 24');
        preg_match('/Composite (QH\d\d-\d\d-\w)/', $this->text(), $found);
        $code = $found[1] ?? '';
        self::assertNotSame('', $code);

        return $code;
    }

    private function labels(string $code): void
    {
        $this->press('Print the labels');
        $this->see("Labels of {$code}");
        $this->see(self::NAME);
        $images = $this->browser->findElements(WebDriverBy::cssSelector('.label img'));
        self::assertCount(2, $images);
        $this->until(
            fn (): bool => (int) $this->browser->executeScript(
                'return document.querySelector(".label img").naturalWidth',
            ) > 0,
            'a QR code that is drawn',
        );
    }

    private function bench(string $code): void
    {
        $this->open('/bench/by-hand');
        $this->see('10 bench portions to read');
        $this->press('Record the reading');
        $this->see('Nothing was read');
        $this->press('5.5');
        $this->press('Record the reading');
        $this->see('9 bench portions to read');
        $this->see($code);
    }

    private function reports(string $code): void
    {
        $this->open('/reports');
        $this->see('1 composite without the lab’s pH');
        $this->type('pH in water', '5,62');
        $this->type('Buffer pH, Mehlich', '6.12');
        $this->type('Buffer pH, SMP', '6.5');
        $this->press('Store the results');
        $this->see('"5,62" is not a number');
        self::assertSame(
            '6.12',
            $this->field('Buffer pH, Mehlich')->getAttribute('value'),
            'what was typed is still there',
        );
        $this->type('pH in water', '5.62');
        $this->press('Store the results');
        $this->see('Every composite has the lab’s pH');
    }

    private function evidence(string $code): void
    {
        $this->open('/evidence');
        $this->see('16 of 17 samples');
        $this->see('Rate: unable');
        $this->see('A reviewer signs what this page proves');
        $this->see('Left out, with reasons');
        $this->press('Sign out');
        $this->see('This is a demo');
        $this->enter(self::TOBIAS, '/evidence');
        $this->see('New evidence since');
        $this->press('The reasons in full');
        $this->see('With no further miss');
        $this->press('Sign what it says now');
        $this->type('Note', 'Five clean pairs more, then look again.');
        $this->type('Your password, once more', self::PASSWORD);
        $this->press('Sign as open');
        $this->see('Signed open by Tobias Wren');
        $this->miss('New evidence since');
        $this->open('/decide');
        $this->see('Five clean pairs more, then look again.');
        $this->see('followed by a newer one');
    }

    private function recommendation(int $areaId, string $code): void
    {
        $this->open("/prescribe/{$areaId}/lime");
        $this->see('Lime: pH 5.62 is below 6 for orchard');
        $this->see('Mehlich buffer');
        $this->see('(6.6 − 6.12) / 0.25');
        $this->see($code);
        $this->see('Take care');
    }
}
