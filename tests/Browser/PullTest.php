<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Support\PngFile;

/** The pull page on a phone, 390x844. */
final class PullTest extends BrowserTestCase
{
    public function test_core_by_core_to_a_composite(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN, '/pull/19');
        $this->see('0 of 18 pulled');
        $this->see('The walk starts here');
        $this->pullCores(1, 3);
        $this->see('3 of 18 pulled');
        self::assertMatchesRegularExpression('/\d+ ft\s+(north|south|east|west)/', $this->text());
        $this->press('Moved');
        $this->press('drip line');
        $this->press('Stone or refusal');
        $this->press('stone');
        $this->see('4 of 18 pulled');
        $this->see('1 moved, 1 refused');
        $this->press('Undo core 5');
        $this->see('Core 5');
        $this->miss('1 refused');
        $this->press('Stone or refusal');
        $this->press('root');
        $this->browser->navigate()->refresh();
        $this->see('Core 6');
        $this->see('4 of 18 pulled');
        $this->pullCores(6, 18);
        $this->see('All 18 cores are done');
        $this->press('Make the composite');
        $this->see('17 cores of 18');
        self::assertMatchesRegularExpression('/QH26-33L-\w lab portion/', $this->text());
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

    public function test_what_was_done_otherwise_and_how_far_it_is_from_here(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN);
        $plan = $this->newPlan();
        $devTools = new ChromeDevToolsDriver($this->browser);
        $devTools->execute('Browser.grantPermissions', [
            'origin' => self::$servers->address,
            'permissions' => ['geolocation'],
        ]);
        $core = self::$servers->database()->query("SELECT layout FROM plans WHERE id = {$plan}");
        self::assertNotFalse($core);
        $first = json_decode((string) $core->fetchColumn(), true, flags: JSON_THROW_ON_ERROR)['cores'][0];
        // A hundredth of a minute of latitude is 18.5 m, or 61 ft; the core lies due north.
        $devTools->execute('Emulation.setGeolocationOverride', [
            'latitude' => $first['latitude'] - 0.01 / 60,
            'longitude' => $first['longitude'],
            'accuracy' => 4,
        ]);
        $this->open("/pull/{$plan}");
        $this->see('61 ft');
        $this->see('north, 0°');
        $this->see('position ± 13 ft');
        $this->press('Skipped');
        $this->press('too wet');
        $this->see('At most 5 cores can come up: the margin grows to');
        $this->pullCores(2, 6);
        $this->see('All 6 cores are done');
        $this->pickIn("//label[starts-with(normalize-space(), 'Tool')]", 'scoop');
        $this->find("//input[@name='reached']")->sendKeys('4');
        $photo = sys_get_temp_dir().'/honest-core-pit-'.getmypid().'.png';
        file_put_contents($photo, PngFile::bytes(80, 60));
        $this->find("//input[@type='file']")->sendKeys($photo);
        $this->press('Make the composite');
        $this->see('It carries: 5 cores of 6; reached 10.2 cm of 15.2 cm; scooped');
        $this->screen(1280, 800);
        $sample = self::$servers->database()->query("SELECT id FROM samples WHERE plan_id = {$plan}");
        self::assertNotFalse($sample);
        $this->open('/samples/'.$sample->fetchColumn());
        $this->see('Every reading of it carries: 5 cores of 6');
        $this->see('scoop, moist soil');
        $this->until(
            fn (): bool => (int) $this->browser->executeScript(
                'return document.querySelector(".photos img")?.naturalWidth ?? 0',
            ) === 80,
            'the photo',
        );
        unlink($photo);
    }

    public function test_the_position_of_the_demo_walks_to_the_core_is_marked_and_never_stored(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN);
        $plan = $this->newPlan();
        $this->open("/pull/{$plan}");
        $this->see('Buried lines marked');
        $this->click("//label[contains(., 'Buried lines marked')]");
        $this->click("//label[contains(., 'Simulate a position')]");
        $this->see('simulated position ± 13 ft');
        $far = fn (): int => (int) preg_replace('/^.*Core 1\s+(\d+) ft.*$/s', '$1', $this->text());
        $start = $far();
        self::assertGreaterThan(60, $start);
        $this->until(fn (): bool => $far() < $start, 'it comes nearer');
        $this->press('Map');
        $this->find("//*[local-name()='text' and normalize-space()='you']");
        $this->browser->navigate()->refresh();
        $this->see('simulated position');
        self::assertTrue(
            $this->find("//label[contains(., 'Buried lines marked')]/input")->isSelected(),
            'what was ticked stays ticked',
        );
        $this->press('Pulled');
        $this->see('1 of 6 pulled');
        $this->until(function () use ($plan): bool {
            $found = self::$servers
                ->database()
                ->query("SELECT COUNT(*) FROM pull_entries WHERE plan_id = {$plan} AND longitude IS NULL");

            return $found !== false && (int) $found->fetchColumn() === 1;
        }, 'an entry without a made-up place');
    }
}
