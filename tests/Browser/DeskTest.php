<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** The desk: what was changed is taken back, what was typed is kept, and nobody writes over somebody else without knowing. */
final class DeskTest extends BrowserTestCase
{
    public function test_a_name_is_taken_back_at_once_and_later(): void
    {
        $this->enter(self::MAREN, '/areas?area=2');
        $this->see('Save changes');
        $this->type('Name', 'Long Meadow, the west slope');
        $this->press('Save changes');
        $this->see('Saved. Take it back');
        $this->find("//button[normalize-space()='Take it back']")->sendKeys(WebDriverKeys::ENTER);
        $this->see('Taken back.');
        $this->until(
            fn (): bool => $this->browser->executeScript('return document.activeElement.id') === 'main',
            'the focus of what is gone goes to the page',
        );
        $this->until(
            fn (): bool => $this->field('Name')->getAttribute('value') === 'Long Meadow, west slope',
            'the name as it was',
        );
        $this->open('/changes?kind=area&record=2');
        $this->see('Name: Long Meadow, west slope → Long Meadow, the west slope');
        $this->see('taken back');
        $this->click("(//button[normalize-space()='Take it back'])[1]");
        $this->open('/areas?area=2');
        $this->see('Save changes');
        self::assertSame('Long Meadow, the west slope', $this->field('Name')->getAttribute('value'));
        $this->open('/changes');
        $this->see('Take it back');
        $this->click("(//button[normalize-space()='Take it back'])[1]");
        $this->until(
            fn (): bool => count($this->browser->findElements(WebDriverBy::xpath("//td[contains(., 'Taken back.')]"))) >= 3,
            'the third of them',
        );
        self::assertSame('', $this->complaints());
    }

    public function test_what_was_typed_is_asked_about_kept_and_dropped(): void
    {
        $this->enter(self::MAREN, '/areas?area=2');
        $this->see('Save changes');
        $this->type('History', 'Limed in 2023, so the neighbour says.');
        $this->leave();
        $this->see('What you typed in Long Meadow, west slope is not saved.');
        $this->press('Stay here');
        $this->miss('is not saved.');
        $this->see('Save changes');
        $this->open('/areas?area=2');
        $this->see('and not saved. Drop it');
        self::assertSame('Limed in 2023, so the neighbour says.', $this->field('History')->getAttribute('value'));
        $this->leave();
        $this->press('Leave, and keep it on this device');
        $this->see('Files taken');
        $this->browser->navigate()->back();
        $this->see('and not saved. Drop it');
        self::assertSame('Limed in 2023, so the neighbour says.', $this->field('History')->getAttribute('value'));
        $this->press('Drop it');
        $this->miss('and not saved.');
        self::assertNotSame('Limed in 2023, so the neighbour says.', $this->field('History')->getAttribute('value'));
        $this->leave();
        $this->see('Files taken');
    }

    public function test_a_step_that_was_begun_and_readings_of_a_transect_are_kept(): void
    {
        $this->enter(self::MAREN, '/send?q=QH26-18');
        $this->click("(//table//a[starts-with(@href, '/samples/')])[1]");
        $this->see('Trail and steps');
        $this->click("(//button[normalize-space()='Trail and steps'])[1]");
        $this->click("(//div[contains(@class, 'steps')]/button)[1]");
        $this->type('Where', 'Barn, upper shelf');
        $here = (string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH);
        $this->leave();
        $this->see('is not saved.');
        $this->press('Leave, and keep it on this device');
        $this->see('Files taken');
        $this->open($here);
        $this->see('and not saved. Drop it');
        self::assertSame('Barn, upper shelf', $this->field('Where')->getAttribute('value'));
        $this->press('Drop it');
        $this->miss('and not saved.');

        $this->open('/scan');
        $this->type('Code on the label', 'QH26-18B-K');
        $this->press('Add');
        $this->see('Write it for 1 portion');
        $this->open('/scan');
        $this->see('Write it for 1 portion');
        $this->press('Drop it');
        $this->miss('Write it for 1 portion');

        $this->open('/bench/transects/1');
        $this->see('Keep the transect');
        $first = "//input[@aria-label='First reading at place 1']";
        $this->find($first)->sendKeys('12.5');
        $this->open('/bench/transects/1');
        $this->see('and not saved. Drop it');
        self::assertSame('12.5', $this->find($first)->getAttribute('value'));
        $this->open('/bench/transects/2');
        $this->see('Keep the transect');
        $this->miss('and not saved.');
        self::assertSame('', $this->find($first)->getAttribute('value'), 'what was typed of one area is not of another');
        $this->open('/bench/transects/1');
        $this->press('Drop it');
        $this->miss('and not saved.');
        self::assertSame('', $this->complaints());
    }

    public function test_two_tabs_on_one_record_do_not_write_over_one_another(): void
    {
        $this->enter(self::MAREN, '/settings');
        $this->see('Whose ground it is');
        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $second = $this->browser->getWindowHandle();
        $this->open('/settings');
        $this->see('Whose ground it is');
        $this->type('Whose ground it is', 'The Sedge family');
        $this->press('Save the site');
        $this->see('Saved.');
        $this->browser->switchTo()->window($first);
        $this->type('Phone', '555 0100');
        $this->press('Save the site');
        $this->see('was changed since you opened it');
        $this->see('The Sedge family');
        $this->press('Save mine over it');
        $this->see('Saved.');
        $this->browser->switchTo()->window($second);
        $this->browser->close();
        $this->browser->switchTo()->window($first);
        $this->open('/settings');
        $this->until(fn (): bool => $this->field('Phone')->getAttribute('value') === '555 0100', 'what was saved over it');
    }

    public function test_a_step_is_noted_for_several_portions_chosen_in_the_ledger(): void
    {
        $this->enter(self::MAREN, '/send?q=QH26-1');
        $this->see('QH26-18B-K');
        foreach (['QH26-18B-K', 'QH26-17B-O'] as $code) {
            $this->find("//input[@aria-label='Choose {$code}']")->click();
        }
        $this->see('2 portions chosen');
        $this->press('Note a step for them');
        $this->see('Write it for 2 portions');
        $this->see('QH26-18B-K');
        $this->see('QH26-17B-O');
        $this->pickIn("//label[contains(., 'What happened')]", 'used up');
        $this->press('Write it for 2 portions');
        $this->see('2 portions');
        self::assertSame('', $this->complaints());
    }

    public function test_the_search_begins_what_can_be_done(): void
    {
        $this->enter(self::MAREN);
        $box = $this->find("//input[@role='combobox']");
        $box->sendKeys('draw a new');
        $this->see('on the map');
        $box->sendKeys("\u{E007}");
        $this->see('Click the corners');
        self::assertStringContainsString('/areas', $this->browser->getCurrentURL());
    }

    public function test_pages_are_dark_and_numbers_are_those_of_the_person(): void
    {
        $this->enter(self::MAREN, '/account');
        $this->pickIn("//label[contains(., 'The pages are')]", 'dark');
        $colour = fn (): mixed => $this->browser->executeScript('return getComputedStyle(document.body).backgroundColor');
        $this->until(fn (): bool => $colour() === 'rgb(25, 21, 16)', 'dark pages');
        $this->pickIn("//label[contains(., 'Numbers and days')]", 'German');
        $this->see("1\u{202f}234,5 and 24. Sept. 2026");
        $this->open('/plans/2');
        $this->see('± 0,20');
        $this->open('/reckoner/cores?sd=0.5&margin=0.25');
        $this->see('Working');
        $this->type('Spread between cores (sd)', '0,4');
        $this->see('n = (t × 0.4 / 0.25)');
        $this->open('/settings');
        $this->pickIn("//label[span[normalize-space()='Units']]", 'metres');
        $this->see('Lime, a ton of 2,000 lb');
        self::assertSame('rgb(25, 21, 16)', $colour());
    }

    public function test_papers_say_whose_they_are(): void
    {
        $this->enter(self::MAREN, '/send');
        $this->see('57 composites');
        $rules = $this->browser->executeScript(
            'return document.adoptedStyleSheets.flatMap((sheet) => [...sheet.cssRules].map((rule) => rule.cssText)).join()',
        );
        self::assertStringContainsString('Quill Hollow, 14 Hollow Road, Quill Hollow', (string) $rules);
        self::assertStringContainsString('@bottom-left', (string) $rules);
    }

    public function test_the_team_goes_out_and_in_again_from_its_page(): void
    {
        $folder = sys_get_temp_dir().'/desk-'.bin2hex(random_bytes(4));
        mkdir($folder);
        (new ChromeDevToolsDriver($this->browser))->execute(
            'Page.setDownloadBehavior',
            ['behavior' => 'allow', 'downloadPath' => $folder],
        );
        $this->enter(self::MAREN, '/settings');
        $this->press('Write the archive');
        $this->see('head of the record');
        $this->until(static fn (): bool => (glob("{$folder}/*.zip") ?: []) !== [], 'the archive');
        $archive = (glob("{$folder}/*.zip") ?: [''])[0];
        $this->find("//input[@type='file' and contains(@accept, 'zip')]")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($archive);
        $this->type('Its name here', 'Quill Hollow, a copy');
        $this->type('Your address in that team', 'maren@copy.example');
        $this->press('Take it in');
        $this->see('Quill Hollow, a copy is here.');
        $address = (string) $this->find("//a[normalize-space()='its invitation']")->getAttribute('href');
        self::assertStringContainsString('/invitation/', $address);
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
        $this->open($address);
        $this->see('Quill Hollow, a copy');
        self::assertCount(0, $this->browser->findElements(WebDriverBy::xpath("//button[normalize-space()='Sign out']")));
    }

    public function test_an_area_is_drawn_by_keyboard_alone(): void
    {
        $this->enter(self::MAREN, '/areas');
        $this->see('5 sampling areas');
        $this->key('n');
        $this->see('Click the corners');
        $map = $this->find("//*[@role='application']");
        for ($i = 0; $i < 80 && ! $this->browser->switchTo()->activeElement()->equals($map); $i++) {
            $this->key('Tab');
        }
        self::assertTrue($this->browser->switchTo()->activeElement()->equals($map), 'the map is reached by Tab');
        $this->see('Arrows move the ground under the cross');
        $corners = ['ArrowRight', 'ArrowDown', 'ArrowLeft'];
        $this->key('Enter');
        foreach ($corners as $towards) {
            array_map($this->key(...), [$towards, $towards, $towards, 'Enter']);
        }
        $this->key('Enter');
        $this->until(
            fn (): bool => preg_match('/[1-9][\d.]* ac \([\d.]+ ha\)\s+Name|0\.[\d]*[1-9] ac/u', $this->text()) === 1,
            'its extent',
        );
        $this->type('Name', 'Bramble bank above the spring');
        $this->pickIn("//label[contains(., 'Use')]", 'pasture');
        $this->press('Add the area');
        $this->see('6 sampling areas');
        self::assertSame('', $this->complaints());
    }

    /** The last of all: there is another team after it. */
    public function test_the_demo_is_begun_anew(): void
    {
        $this->enter(self::MAREN, '/settings');
        $this->press('Reset the demo');
        $this->press('Begin anew');
        $this->see('This is a demo');
        $this->click("//li[contains(., 'maren@')]//button");
        $this->see('Season 2026');
        $this->see('Pull 18 cores');
    }

    /** Presses a key where the focus is, whatever has it. */
    private function key(string $key): void
    {
        $codes = ['Tab' => 9, 'Enter' => 13, 'ArrowLeft' => 37, 'ArrowRight' => 39, 'ArrowDown' => 40, 'n' => 78];
        $text = match ($key) {
            'Enter' => ['text' => "\r"],
            'n' => ['text' => 'n'],
            default => [],
        };
        $tools = new ChromeDevToolsDriver($this->browser);
        foreach (['keyDown', 'keyUp'] as $type) {
            $tools->execute('Input.dispatchKeyEvent', [
                'type' => $type, 'key' => $key, 'code' => $key, 'windowsVirtualKeyCode' => $codes[$key],
            ] + ($type === 'keyDown' ? $text : []));
        }
    }

    /** Goes to another page by its horizon. */
    private function leave(): void
    {
        $this->click("//nav//a[starts-with(normalize-space(), 'Reports')]");
    }
}
