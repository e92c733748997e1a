<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\PngFile;

/** Every page: it opens clean, fits, can be used by keyboard, and keeps what was typed when saving fails. */
final class PagesTest extends BrowserTestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function pages(): iterable
    {
        yield 'today' => ['/', 'Season 2026'];
        yield 'areas' => ['/areas?area=1', 'Plan its cores'];
        yield 'plans' => ['/plans/2', 'Margin on pH'];
        yield 'comparison' => ['/plans/2/compare', 'What is at stake'];
        yield 'schools' => ['/plans/2/schools', 'Begin with it'];
        yield 'field sheet' => ['/sheets/14', 'Take along'];
        yield 'pull list' => ['/pull', 'Pulled before'];
        yield 'send' => ['/send', '57 composites'];
        yield 'sample' => ['/samples/13', 'did not come up'];
        yield 'trail' => ['/samples/13?portion=25', 'handed to the carrier'];
        yield 'scan' => ['/scan?code=QH26', 'does not fit its check character'];
        yield 'labs' => ['/labs', 'Barn loess'];
        yield 'packing' => ['/consignments/new', 'form'];
        yield 'consignment' => ['/consignments/4', 'With thanks'];
        yield 'labels ahead' => ['/pull/19/labels', 'QH26-33L'];
        yield 'labels' => ['/samples/13/labels', 'Lab portion'];
        yield 'bench' => ['/bench', 'What a test takes'];
        yield 'by hand' => ['/bench/by-hand', 'Read so far'];
        yield 'methods' => ['/bench/methods', 'Comparator capsule, potassium'];
        yield 'method' => ['/bench/methods/1', 'settled or developed too long'];
        yield 'pens' => ['/bench/pens', 'Drift after'];
        yield 'readers' => ['/bench/readers', 'Practice rounds'];
        yield 'transects' => ['/bench/transects/1', 'ppm across the row'];
        yield 'transects of nothing' => ['/bench/transects/2', 'Nothing was read here yet'];
        yield 'run over' => ['/bench/runs/1', 'minutes of attention'];
        yield 'jar' => ['/bench/runs/3', 'percent of volume'];
        yield 'untested' => ['/evidence/8', 'it stays untested'];
        yield 'reports' => ['/reports', 'Files taken'];
        yield 'a file to take' => ['/reports/take', 'Nothing is stored before'];
        yield 'report' => ['/reports/1', 'Nothing in it looks wrong'];
        yield 'side by side' => ['/reports/side-by-side', 'Lab beside lab'];
        yield 'check soils' => ['/reports/checks', 'Barn loess'];
        yield 'what to buy' => ['/decide/strategies', 'Cost of an area and year'];
        yield 'a verdict' => ['/decide/verdicts/1', 'The pairs it rests on'];
        yield 'evidence' => ['/evidence', 'Action matrix'];
        yield 'old records' => ['/evidence/1/records', 'Spreadsheet, .csv or .xlsx'];
        yield 'decide' => ['/decide', 'Policy for pH, version 1'];
        yield 'program' => ['/prescribe/2', 'Set another amount'];
        yield 'program in parts' => ['/prescribe/5', 'Rate map'];
        yield 'crops side by side' => ['/prescribe/2/crops', 'pH wanted'];
        yield 'lime by the schools' => ['/prescribe/3/lime', 'What it is built on'];
        yield 'signed program' => ['/programs/1', 'Hash of this program'];
        yield 'shelf' => ['/shelf', 'Add a product'];
        yield 'tables' => ['/tables', 'As it ships'];
        yield 'shopping list' => ['/shopping', 'All that has a price'];
        yield 'reckoner' => ['/reckoner', 'Working'];
        yield 'follow-up' => ['/follow-up', 'Test again by'];
        yield 'spreading log' => ['/follow-up/spread', 'Something else was spread'];
        yield 'series' => ['/follow-up/areas/9', 'What happened to the ground'];
        yield 'series of ground with nothing' => ['/follow-up/areas/5', 'Left untreated'];
        yield 'did it work' => ['/follow-up/answers', 'of signed programs'];
        yield 'schools on trial' => ['/follow-up/schools', 'The rule, written down'];
        yield 'campaign' => ['/follow-up/campaign', 'In a calendar'];
        yield 'nowhere' => ['/nowhere', 'There is nothing at this address'];
    }

    /** One browser for all of them: a page that leaves something behind for the next would be a fault too. */
    public function test_every_page_opens_clean_fits_and_every_field_has_a_name(): void
    {
        $this->enter(self::MAREN);
        foreach (self::pages() as $name => [$path, $words]) {
            $this->screen(1280, 800);
            $this->open($path);
            $this->see($words);
            self::assertDoesNotMatchRegularExpression('/\bNaN\b|undefined|\[object/', $this->text(), $name);
            $unnamed = $this->browser->executeScript(
                <<<'JS'
                return [...document.querySelectorAll('input, textarea, select, button, [role=img], img')]
                    .filter((one) => one.offsetParent !== null
                    && !(one.labels && one.labels.length) && !one.getAttribute('aria-label')
                        && !one.getAttribute('alt') && !one.textContent?.trim()
                    && !one.getAttribute('aria-labelledby') && !one.querySelector?.('title')).map((one) => one.outerHTML.slice(0, 120))
                JS
                ,
            );
            self::assertSame([], $unnamed, $name);
            self::assertSame(1, $this->browser->executeScript('return document.querySelectorAll("h1").length'), $name);
            foreach ([1280, 1024] as $width) {
                $this->screen($width, 800);
                self::assertLessThanOrEqual(
                    $width,
                    $this->browser->executeScript('return document.documentElement.scrollWidth'),
                    "{$name} at {$width}",
                );
            }
            self::assertSame('', $this->complaints(), $name);
        }
    }

    public function test_each_part_of_a_paddock_has_an_answer_of_its_own(): void
    {
        $this->enter(self::MAREN, '/prescribe/5/lime');
        $this->see('It was planned in 4 parts; all have a pH, and they do not want the same');
        $this->see('Part 3, QH24-06-A. Lime: pH 5.9 is below 6');
        $this->see('How much of this stone, by the schools');
        $this->press('QH24-02-I');
        $this->see('Part 1, QH24-02-I. No lime: pH 8.2 is at or above 7.3');
        $this->see('pH 7.05, leave');
        $this->miss('How much of this stone, by the schools');
        $this->open((string) parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH).'?sample=1');
        $this->see('No such composite was pulled from this area');
        self::assertSame('', $this->complaints(), 'what was refused is told on the page');
    }

    public function test_an_area_is_cut_along_a_drawn_line(): void
    {
        $this->enter(self::MAREN, '/areas?area=3');
        $this->see('Cut it along a line');
        $this->press('Cut it along a line');
        $this->see('Click on both sides');
        $this->clickOnMap([[66, -250], [66, 30], [66, 30]]);
        $this->see('Cut the area in two');
        $this->type('The other part', 'Old orchard, the young rows');
        $this->press('Cut it');
        $this->see('6 sampling areas');
        $this->see('Old orchard, the young rows');
    }

    public function test_ground_on_a_slope_is_split_in_one_click_or_kept_with_a_reason(): void
    {
        $this->enter(self::MAREN, '/areas?area=4');
        $this->press('Facts that decide what is sampled apart');
        $this->press('top of a slope');
        $this->press('foot');
        $this->press('Save changes');
        $this->see('It spans top of a slope and foot of a slope');
        $this->open('/plans/4');
        $this->see('Split this area');
        $this->until(fn (): bool => $this->fact('cores') !== '', 'a layout');
        $this->press('Other points');
        $this->press('Save as a new plan');
        $this->see('say why it stays one composite');
        $this->type('Why it stays one composite', 'Limed and mown as one for thirty years.');
        $this->press('Save as a new plan');
        $this->see('Plan saved');
        $this->open('/areas?area=4');
        $this->press('Split it');
        $this->see('across its middle');
        $this->type('The other part', 'Blueberry rows below the bank');
        $this->press('Cut it');
        $this->see('Blueberry rows below the bank');
    }

    public function test_a_file_with_latitude_first_is_exchanged(): void
    {
        $this->enter(self::MAREN, '/areas');
        $this->press('Bring in a file');
        $this->type('or paste it', "latitude,longitude\n42.918,-76.28\n42.918,-76.279\n42.919,-76.279\n");
        $this->press('Read it');
        $this->see('1 area found');
        $this->press('Another file');
        $this->type(
            'or paste it',
            '{"type":"Polygon","coordinates":[[[42.918,-76.28],[42.918,-76.279],[42.919,-76.279],[42.918,-76.28]]]}',
        );
        $this->press('Read it');
        $this->see('seems to give latitude first');
        $this->press('Exchange longitude and latitude');
        $this->miss('seems to give latitude first');
        $this->see('1 area found');
    }

    public function test_a_school_and_cells_change_the_plan(): void
    {
        $this->enter(self::MAREN, '/plans/2');
        $this->until(fn (): bool => $this->fact('cores') === '20', 'the saved plan');
        $this->choose('School', 'No-till, stratified pH');
        $this->see('Nitrogen sours the upper 2 in');
        $this->until(
            fn (): bool => $this->fact('cores') === '15' && $this->fact('samples') === '2',
            'two layers of 15 cores',
        );
        $this->see('is not the one the lab');
        $this->press('By cell');
        $this->until(fn (): bool => (int) $this->fact('samples') > 4, 'a composite for each cell and layer');
        $this->press('Across rows');
        $this->see('Rows, inches apart');
        $this->press('Save as a new plan');
        // The button of the plan that is open now.
        $this->see('Save the plan');
        $this->see('Plan saved');
        $this->press('Field sheet');
        $this->see('Knife and ruler to part the layers');
        $this->press('nitrate');
        $this->see('Cold box');
        $this->see('Across the rows: 6 cores from the row to mid-row');
        $this->pickIn("//label[contains(., 'Composite')]", 'all 7');
        $this->see('Composite 7: 15 cores');
        $composites = $this->browser->findElements(WebDriverBy::xpath("//div[contains(@class, 'columns sheet')]"));
        self::assertCount(7, $composites);
        $printed = (new ChromeDevToolsDriver($this->browser))->execute('Page.printToPDF');
        $pages = preg_match_all('#/Type /Page\b#', (string) base64_decode((string) $printed['data'], true));
        self::assertGreaterThanOrEqual(count($composites), $pages, 'each composite begins a page');
        (new ChromeDevToolsDriver($this->browser))->execute('Emulation.setEmulatedMedia', ['media' => 'print']);
        $this->miss('Sign out');
        $this->see('Take care');
    }

    public function test_zones_are_drawn_on_the_ground_and_each_gets_its_composite(): void
    {
        $this->enter(self::MAREN, '/plans/1');
        $this->until(fn (): bool => $this->fact('cores') !== '', 'the saved plan');
        $this->press('By zone');
        $this->see('No zone yet');
        foreach ([[[-60, -40], [-5, -40], [-5, 40], [-60, 40]], [[5, -40], [60, -40], [60, 40], [5, 40]]] as $corners) {
            $this->press('Draw a zone');
            $this->see('Click its corners on the map');
            $this->clickOnMap([...$corners, end($corners)]);
            $this->see('Draw a zone');
        }
        $this->see('2 zones');
        $this->until(fn (): bool => $this->fact('samples') === '2', 'a composite for each zone');
    }

    public function test_a_picture_is_laid_under_the_map_by_places_shown_on_both(): void
    {
        $this->enter(self::MAREN, '/areas');
        $picture = tempnam(sys_get_temp_dir(), 'flight').'.png';
        file_put_contents($picture, PngFile::bytes(400, 300));
        $this->find('//input[@aria-label="Picture to lay under the map"]')
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($picture);
        $this->see('Two or three known places');
        $this->until(
            fn (): bool => $this->browser->executeScript(
                'return document.querySelector(".picture img")?.naturalWidth ?? 0',
            ) === 400,
            'the picture itself',
        );
        foreach ([1 => [-120, -60], 2 => [120, 60]] as $number => [$x, $y]) {
            (new WebDriverActions($this->browser))
                ->moveToElement($this->find("//*[contains(@class, 'picture')]/img"), $x, $y)
                ->click()
                ->perform();
            $this->until(
                fn (): bool => count(
                    $this->browser->findElements(
                        WebDriverBy::xpath('//button[normalize-space()="Show it on the map"]'),
                    ),
                ) === $number,
                "place {$number}",
            );
            $this->click("(//button[normalize-space()='Show it on the map'])[{$number}]");
            $this->see('Click the place on the map');
            $this->clickOnMap([[$x, $y]]);
            $this->until(
                fn (): bool => $this->field("Latitude of place {$number}")->getAttribute('value') !== '',
                'the place taken over',
            );
        }
        $this->press('Lay it under the map');
        $this->miss('Two or three known places');
        $this->miss('not placed yet');
        $grey = <<<'JS'
        return [...document.querySelectorAll('.ol-viewport canvas')].some((canvas) => {
            const at = canvas.getContext('2d').getImageData(canvas.width / 2, canvas.height / 2 + 8, 1, 1).data
            return at[0] === 176 && at[1] === 176 && at[2] === 176 && at[3] > 150
        })
        JS;
        $this->until(fn (): bool => $this->browser->executeScript($grey) === true, 'the picture on the map');
        $this->open('/areas');
        $this->press('Remove '.basename($picture));
        $this->miss(basename($picture));
        unlink($picture);
    }

    public function test_the_calendar_says_when_a_day_cannot_be_met(): void
    {
        $this->enter(self::MAREN, '/plans/2');
        $this->see('When must the lime be on?');
        $this->browser->executeScript(
            "const date = document.querySelector('[aria-label=\"Lime on\"]'); date.value = '2020-05-01'; ".
                "date.dispatchEvent(new Event('input', { bubbles: true }))",
        );
        $this->see('This day cannot be met');
        $this->see('Report needed, order the lime');
    }

    public function test_schemes_are_compared_and_a_dearer_laboratory_is_felt(): void
    {
        $this->enter(self::MAREN, '/plans/2/compare');
        $this->see('Six schemes are tried');
        $this->type('Fields to try', '40');
        $this->press('Compare');
        $this->see('costs least');
        $this->see('2.5-acre cells');
        $before = $this->text();
        $this->type('Lab fee a sample', '500');
        $this->press('Compare');
        $this->until(
            fn (): bool => str_contains($this->text(), 'One composite costs least') && $this->text() !== $before,
            'one composite as the cheapest',
        );
    }

    public function test_search_and_help_by_keyboard(): void
    {
        $this->enter(self::MAREN);
        $body = $this->browser->switchTo()->activeElement();
        $body->sendKeys('?');
        $this->see('Keys on this page');
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::ESCAPE);
        $this->miss('Keys on this page');
        $this->browser->switchTo()->activeElement()->sendKeys('/');
        $box = $this->browser->switchTo()->activeElement();
        self::assertSame('search', $box->getAttribute('type'));
        $box->sendKeys('invite');
        $this->see('invite somebody, roles');
        $box->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $box->sendKeys('qh26-13');
        $this->see('QH26-13-V');
        $box->sendKeys(WebDriverKeys::ENTER);
        $this->see('Composite QH26-13-V');
    }

    public function test_the_first_tab_leads_past_the_navigation(): void
    {
        $this->enter(self::MAREN, '/evidence');
        $this->see('Action matrix');
        $this->browser->switchTo()->activeElement()->sendKeys(WebDriverKeys::TAB);
        $first = $this->browser->switchTo()->activeElement();

        self::assertSame('To the page', $first->getText());
        self::assertSame('page', $this->find("//nav//a[contains(., 'Evidence')]")->getAttribute('aria-current'));
    }

    public function test_typed_words_outlive_a_lost_session(): void
    {
        $this->enter(self::MAREN, '/areas?area=1');
        $this->type('History', 'Marled by the grandfather.');
        $this->browser->manage()->deleteAllCookies();
        $this->press('Save changes');
        $this->see('You were signed out');
        $this->type('Password', self::PASSWORD);
        $this->press('Sign in');
        $this->miss('You were signed out');
        self::assertSame('Marled by the grandfather.', $this->field('History')->getAttribute('value'));
        $this->press('Save changes');
        $this->until(fn (): bool => ! str_contains($this->text(), 'Not saved'), 'a quiet save');
        $this->browser->navigate()->refresh();
        $this->until(
            fn (): bool => $this->field('History')->getAttribute('value') === 'Marled by the grandfather.',
            'the history kept',
        );
    }

    public function test_a_file_with_a_bad_row_says_which_and_stores_nothing(): void
    {
        $this->enter(self::MAREN, '/reports/take');
        $this->choose('Lab', 'Fennick');
        $file = (string) tempnam(sys_get_temp_dir(), 'hc');
        file_put_contents($file, "sample,ph\nQH26-01-4,6.1\nQH26-02-3,sourish\n");
        $this->find("//input[@type='file']")->sendKeys($file);
        $this->see('"sourish" is no result');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('Nothing of the report was stored');
        $this->see('row 3, ph: "QH26-02-3" is no portion for a lab of this team; was QH26-02-2 meant?');
        $this->see('row 2, ph: QH26-01L-1 has a result');
        unlink($file);
    }

    public function test_a_polygon_that_crosses_itself_is_refused_in_words(): void
    {
        $this->enter(self::MAREN, '/areas');
        $this->press('Bring in a file');
        $this->type(
            'or paste it',
            '{"type":"Polygon","coordinates":[[[0,0],[0.001,0.001],[0.001,0],[0,0.001],[0,0]]]}',
        );
        $this->press('Read it');
        $this->see('crosses itself');
        $this->type(
            'or paste it',
            '{"type":"Feature","properties":{"name":"Bracken bank by the '.
                'lane"},"geometry":{"type":"Polygon","coordinates":[[[-76.28,42.918],[-76.279,42.918],[-76.279,'.
                    '42.919],[-76.28,42.919],[-76.28,42.918]]]}}',
        );
        $this->press('Read it');
        $this->see('1 area found');
        $this->press('Add 1 area');
        $this->see('Choose a use from the list');
        $this->pickIn("//*[contains(@class, 'el-dialog')]", 'lawn');
        $this->press('Add 1 area');
        $this->see('Bracken bank by the lane');
    }

    public function test_a_correction_puts_a_left_out_reading_back(): void
    {
        $this->enter(self::MAREN, '/evidence');
        $this->see('Put back, it would be');
        $this->click("//tr[contains(., 'QH26-07')]//a[normalize-space()='Put back']");
        $this->see('Protocol breaks; none puts the reading back');
        $this->press('settled or developed too short');
        $this->type('Why', 'The timer was checked: it had settled a minute.');
        $this->press('Record the correction');
        $this->see('corrected below');
        $this->open('/evidence');
        $this->see('15 of 17 samples');
    }

    public function test_an_area_that_was_changed_elsewhere_is_shown_beside_what_was_typed(): void
    {
        $this->enter(self::MAREN, '/areas?area=1');
        $this->type('History', 'Marled by the grandfather.');
        self::$servers->database()->exec("UPDATE areas SET history = 'Limed by the neighbour.' WHERE id = 1");
        $this->press('Save changes');
        $this->see('was changed since you opened it');
        $this->see('Limed by the neighbour.');
        self::assertSame('Marled by the grandfather.', $this->field('History')->getAttribute('value'));
        $this->press('Save mine over it');
        $this->until(static function (): bool {
            $found = self::$servers->database()->query('SELECT history FROM areas WHERE id = 1');

            return $found !== false && $found->fetchColumn() === 'Marled by the grandfather.';
        }, 'what was typed stored');
        $this->miss('was changed since you opened it');
        $this->type('History', 'Marled twice.');
        $this->press('Save changes');
        $this->until(static function (): bool {
            $found = self::$servers->database()->query('SELECT history FROM areas WHERE id = 1');

            return $found !== false && $found->fetchColumn() === 'Marled twice.';
        }, 'a second save of one\'s own');
        $this->type('History', 'Never limed.');
        self::$servers->database()->exec("UPDATE areas SET history = 'Limed by the neighbour.' WHERE id = 1");
        $this->press('Save changes');
        $this->press('Take what is stored');
        $this->until(
            fn (): bool => $this->field('History')->getAttribute('value') === 'Limed by the neighbour.',
            'what is stored in the form',
        );
    }

    public function test_a_verdict_that_was_turned_round_is_shown_as_damaged(): void
    {
        self::$servers->database()->exec("DROP TRIGGER verdicts_no_UPDATE; UPDATE verdicts SET verdict = 'stands'");
        $this->enter(self::TOBIAS, '/decide/verdicts/1');
        $this->see('It is not as it was signed, and nothing may be built on it.');
        $this->see('changed since it was signed; its pairs give this hash');
        $this->miss('It may be used, within its scope.');
    }

    public function test_every_answer_carries_its_headers_and_none_says_what_it_runs_on(): void
    {
        $address = self::$servers->address;
        foreach (['/', '/sw.js', '/app.webmanifest', '/api/welcome', '/api/nothing', '/nothing.png'] as $path) {
            $context = stream_context_create(['http' => ['ignore_errors' => true]]);
            file_get_contents($address.$path, false, $context);
            $headers = strtolower(implode("\n", $http_response_header));

            self::assertStringContainsString("content-security-policy: default-src 'none'", $headers, $path);
            self::assertStringContainsString('x-content-type-options: nosniff', $headers, $path);
            self::assertStringContainsString('x-frame-options: deny', $headers, $path);
            self::assertStringNotContainsString('php', $headers, $path);
        }
    }
}
