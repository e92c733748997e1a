<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\PngFile;

/** Runs led at the real page with a clock that the test sets: it stands still until it is moved on. */
final class BenchTest extends BrowserTestCase
{
    private int $now;

    protected function setUp(): void
    {
        parent::setUp();
        // The clock of the page is kept where a reload finds it again, and stands still until the test moves it on.
        (new ChromeDevToolsDriver($this->browser))->execute('Page.addScriptToEvaluateOnNewDocument', [
            'source' => <<<'JS'
            Date.now = ((real) => () => Number(localStorage.getItem('test-clock')) || real())(Date.now.bind(Date))
            JS
            ,
        ]);
    }

    public function test_a_run_is_led_by_keyboard_through_a_reload_to_its_readings(): void
    {
        $this->enter(self::MAREN, '/bench');
        $this->stopClock(-540_000);
        $this->setUpRun(['QH26-18B', 'QH26-17B']);
        $this->see('Tube 1');
        $this->see('Soil to the line');
        $this->key(' ');
        $this->see('Water to the line');
        $this->move(8_000);
        $this->key(' ');
        $this->until(fn (): bool => str_contains($this->text(), 'Start: Shake'), 'shaking is next');
        $this->key(' ');
        $this->see('Stop: Shake');
        $this->until(fn (): bool => $this->fact('countdown') === '0:25', 'the time to shake');
        $this->move(25_000);
        $this->until(
            fn (): bool => $this->fact('countdown') === '0:05' && str_contains($this->text(), 'left to be in time'),
            'the time that is left',
        );
        $this->until(
            fn (): bool => str_starts_with($this->browser->getTitle(), '● Tube 1 now'),
            'the title of the tab says that it is due',
        );
        $this->key(' ');
        $this->until(fn (): bool => $this->clock(1) === '1:00', 'a minute of settling');

        // The other tube is worked while the first one settles.
        $this->press('Work tube 2 next');
        $this->key(' ');
        $this->move(3_000);
        $this->until(fn (): bool => $this->clock(1) === '0:57', 'the first one settles on');

        $this->browser->navigate()->refresh();
        $this->until(fn (): bool => $this->clock(1) === '0:57', 'the same time after a reload');
        $this->move(57_000);
        $this->until(
            fn (): bool => str_contains($this->find("//*[contains(@class, 'next')]")->getText(), 'Tube 1'),
            'the first one is due',
        );
        $this->press('Look now space');
        $this->see('Maren Oakhurst reads');
        $this->move(5_000);
        $this->key('3');
        $this->until(
            fn (): bool => $this->browser
                ->findElement(WebDriverBy::xpath("//button[@aria-label='5.5, key 3']"))
                ->getAttribute('aria-pressed') === 'true',
            'a band chosen by its number',
        );
        $this->press('It lies between two: choose both');
        $this->press('6.0, key 4');
        $this->see('Between 5.5 and 6.0');
        $this->press('Record the reading');
        $this->see('read by Maren Oakhurst');
        self::assertStringNotContainsString('between 5.5 and 6.0', $this->text(), 'what was read is covered');

        // The second one is shaken far too short: that is told at once, and it is repeated.
        $this->press('Done space');
        $this->press('Start: Shake space');
        $this->move(4_000);
        $this->press('Stop space');
        $this->see('Shake: 4 s, and the method asks 20 s to 30 s');
        $this->see('It can still be repeated');
        $this->press('empty it and begin anew');
        $this->see('attempt 2');
        $this->press('Done space');
        $this->see('next: Water to the line');
        $this->press('Done space');
        $this->press('Start: Shake space');
        $this->move(22_000);
        $this->press('Stop space');
        $this->move(300_000);
        $this->until(fn (): bool => $this->clock(2) === 'late 3:30', 'the laptop was closed for too long');
        $this->press('Look now space');
        $this->key('4');
        $this->press('Record the reading');
        $this->see('Every tube is read or given up');
        $this->press('Finish the run');
        $this->see('2 readings kept, 1 of them left out');
        $this->see('between 5.5 and 6.0');
        $this->see('Let it settle: 5 min, and the method asks 55 s to 90 s');
        self::assertSame('', $this->complaints());
        $times = self::$servers
            ->database()
            ->query("SELECT detail FROM readings WHERE run_id IS NOT NULL AND `between` = '6.0'");
        $detail = json_decode((string) ($times === false ? '' : $times->fetchColumn()), true);
        self::assertSame(
            ['fill' => 0, 'water' => 0, 'shake' => 25, 'settle' => 60, 'read' => 5],
            array_column($detail['times'], 'seconds', 'step'),
            'to the millisecond, through the reload',
        );
    }

    /** 24 tubes, half an hour: every clock shows its time to a tenth of a second, also after a reload. */
    public function test_twenty_four_clocks_stay_right_for_half_an_hour(): void
    {
        $this->enter(self::MAREN, '/bench');
        $this->stopClock();
        $id = $this->bigRun();
        $this->open("/bench/runs/{$id}");
        $this->until(fn (): bool => count(array_filter($this->clocks())) === 24, '24 clocks');
        $start = $this->now;
        foreach ([0, 1, 599, 1_799] as $seconds) {
            foreach ([-100, 0, 100] as $ms) {
                $this->setClock($start + 1000 * $seconds + $ms);
                $expected = array_map(
                    static fn (int $tube): string => self::span(720_000 - 100 * $tube - 1000 * $seconds - $ms),
                    range(1, 24),
                );
                $this->until(
                    fn (): bool => $this->clocks() === $expected,
                    "all clocks right at {$seconds} s and {$ms} ms; they are ".
                        implode(' ', $this->clocks()).
                        ', and '.
                        implode(' ', $expected).
                        ' are right',
                );
            }
        }
        $this->browser->navigate()->refresh();
        $expected = array_map(
            static fn (int $tube): string => self::span(720_000 - 100 * $tube - 1_799_100),
            range(1, 24),
        );
        $this->until(fn (): bool => $this->clocks() === $expected, 'and after a reload');
    }

    public function test_marks_made_while_the_server_is_away_go_out_later_with_their_own_times(): void
    {
        $this->enter(self::MAREN, '/bench');
        $this->stopClock();
        $this->setUpRun(['QH26-16B']);
        $this->see('Soil to the line');
        $network = new ChromeDevToolsDriver($this->browser);
        $network->execute('Network.enable');
        $network->execute('Network.emulateNetworkConditions', [
            'offline' => true,
            'latency' => 0,
            'downloadThroughput' => 0,
            'uploadThroughput' => 0,
        ]);
        $this->press('Done space');
        $this->see('kept on this computer and not sent yet');
        $this->see('Water to the line');
        $this->move(7_000);
        $this->press('Done space');
        $this->press('Start: Shake space');
        $this->see('3 marks are kept');
        $network->execute('Network.emulateNetworkConditions', [
            'offline' => false,
            'latency' => 0,
            'downloadThroughput' => -1,
            'uploadThroughput' => -1,
        ]);
        $this->miss('kept on this computer');
        $id = (int) preg_replace(
            '/\D/',
            '',
            (string) parse_url((string) $this->browser->getCurrentURL(), PHP_URL_PATH),
        );
        $rows = self::$servers
            ->database()
            ->query(
                "SELECT kind, at_ms - (SELECT MIN(at_ms) FROM run_marks WHERE run_id = {$id}) FROM run_marks ".
                    "WHERE run_id = {$id} ORDER BY id",
            );
        self::assertSame(
            [['end', 0], ['end', 7_000], ['begin', 7_000]],
            $rows === false ? [] : $rows->fetchAll(\PDO::FETCH_NUM),
        );
    }

    public function test_a_tube_is_read_off_a_photo(): void
    {
        $this->enter(self::MAREN, '/bench');
        $this->stopClock(-300_000);
        $this->setUpRun(['QH26-15B']);
        $this->press('Done space');
        $this->see('next: Water to the line');
        $this->press('Done space');
        $this->press('Start: Shake space');
        $this->move(25_000);
        $this->press('Stop space');
        $this->move(60_000);
        $this->press('Look now space');
        $this->press('Read it off a photo');
        $file = sys_get_temp_dir().'/tube-'.getmypid().'.png';
        $card = [
            [229, 120, 57],
            [236, 152, 62],
            [230, 179, 75],
            [188, 178, 84],
            [136, 164, 93],
            [83, 142, 105],
            [34, 115, 112],
        ];
        $swatches = array_map(
            static fn (array $colour, int $i): array => [300 + 90 * $i, 200, 70, 120, $colour],
            $card,
            array_keys($card),
        );
        file_put_contents(
            $file,
            PngFile::painted(
                960,
                600,
                [215, 208, 196],
                [[40, 40, 180, 120, [236, 236, 236]], [90, 240, 80, 300, [187, 176, 83]], ...$swatches],
            ),
        );
        $this->find("//input[@aria-label='Photo of tube, card and white paper']")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($file);
        $this->see('Click on the clear liquid in the tube');
        $canvas = $this->find('//canvas');
        foreach ([[130, 390], [130, 100], [335, 260], [425, 260], [515, 260], [605, 260], [695, 260]] as [$x, $y]) {
            $by = $canvas->getSize()->getWidth() / 960;
            (new WebDriverActions($this->browser))
                ->moveToElement($canvas, (int) round(($x - 480) * $by), (int) round(($y - 300) * $by))
                ->click()
                ->perform();
        }
        $this->press('Compare the colours');
        $this->see('clearly nearer than');
        $this->press('Take 6.0');
        $this->see('By photo: nearest 6.0');
        $this->press('Record the reading');
        $this->press('Finish the run');
        $this->see('1 reading kept');
        self::assertSame('', $this->complaints());
        @unlink($file);
        $kept = self::$servers
            ->database()
            ->query("SELECT json_extract(detail, '$.match.nearest') FROM readings WHERE detail LIKE '%nearest%'");
        self::assertSame('6.0', $kept === false ? null : $kept->fetchColumn());
    }

    public function test_a_pen_is_calibrated_streams_into_a_tube_and_drifts(): void
    {
        $this->enter(self::MAREN, '/bench/pens');
        $this->see('Reedmace pen 2 is fit for work');
        $this->pick('Pen', 'Reedmace pen 2');
        $this->type('Shown in buffer 1', '4,06');
        $this->type('Shown in buffer 2', '7.02');
        $this->type('Shown in buffer 3', '9.9');
        $this->press('Keep the calibration');
        $this->see('a number with a decimal point');
        $this->type('Shown in buffer 1', '4.06');
        $this->press('Keep the calibration');
        $this->see('slope 97.3 %');

        $this->open('/bench');
        $this->pick('Method', 'Reedmace pH pen');
        $this->see('Calibration of the pen');
        $this->choosePortions(['QH26-07B']);
        $this->press('Start with 1 tube');
        $this->see('Soil and water, equal parts');
        $this->press('Done space');
        $this->press('Start: Stir space');
        $this->press('Stop space');
        $this->press('Look now space');
        $this->press('Read the probe');
        $this->see('Simulated: a stand-in streams');
        $this->until(
            fn (): bool => preg_match(
                '/aria-label="(2\d|3\d|40) readings/',
                (string) $this->browser->executeScript('return document.querySelector(".probe").innerHTML'),
            ) === 1,
            'readings as they come',
        );
        $this->see('Mean of the last 8');
        $this->browser->navigate()->refresh();
        $this->see('Kept from before, 40 readings');
        $this->press('Take it');
        $this->until(
            fn (): bool => preg_match(
                '/^\d\.\d$/',
                (string) $this->field('What it shows, pH')->getAttribute('value'),
            ) === 1,
            'what the probe says, to its resolution',
        );
        $this->press('Record the reading');
        $this->press('Finish the run');
        $this->see('1 reading kept, 1 of them left out');
        $this->see('the method asks');

        $this->open('/bench/pens');
        $this->press('Note the drift of Reedmace pen 2');
        $this->type('It shows now, pH', '7.2');
        $this->press('Note the drift');
        $this->see('The pen had drifted too far: 1 reading made');
        $this->see('+0.18, too far');
        self::assertSame('', $this->complaints());
    }

    public function test_eyes_are_checked_and_trained(): void
    {
        $this->enter(self::MAREN, '/bench/readers');
        $this->press('Begin the check');
        $this->see('Plate 1 of 10');
        self::assertGreaterThan(
            150,
            $this->browser->executeScript('return document.querySelectorAll("[data-plate] circle").length'),
        );
        $this->type('Which figure do you see?', '1');
        $this->field('Which figure do you see?')->sendKeys(WebDriverKeys::ENTER);
        for ($plate = 2; $plate <= 10; $plate++) {
            $this->see("Plate {$plate} of 10");
            $this->press('I see nothing');
        }
        $this->see('The plate that everybody sees was missed');
        $this->press('Start the round');
        for ($tube = 1; $tube <= 14; $tube++) {
            $this->see("Tube {$tube} of 14");
            $this->press('6.0, key 4');
            $this->press($tube === 14 ? 'Hand them in' : 'Next tube');
        }
        $this->see('2 of 14 right');
        $this->see('equal tubes were read 0.00 apart');
        self::assertSame('', $this->complaints());
    }

    public function test_a_method_is_taken_up_and_revised(): void
    {
        $this->enter(self::MAREN, '/bench/methods');
        $this->press('Take up Powder tube, pH');
        $this->type('Name it has here', 'Alder powder tube');
        $this->type('Name of band 1', '3.9');
        $this->type('Start of band 2', '4.0');
        $this->press('Take it up');
        $this->see('overlaps');
        self::assertSame('3.9', $this->field('Name of band 1')->getAttribute('value'), 'what was typed is still '.
            'there');
        $this->type('Start of band 2', '4.25');
        $this->type('Cautions, one a line', "Gloves.\nOpen the window.");
        $this->press('Another condition');
        $this->type('Condition 4', 'Spoon');
        $this->press('Take it up');
        $this->see('Version 1.');
        $this->see('Open the window.');
        $this->see('3.75 to 4.25 pH');
        $this->press('Revise the method');
        $this->type('What to do in step 5', 'Let it settle in the rack');
        $this->press('Set version 2');
        $this->see('Say why');
        $this->type('Why it changes', 'The leaflet says so.');
        $this->type('aim_s of step 5', '999'.WebDriverKeys::TAB);
        $this->press('Set version 2');
        $this->see('999 does not lie between 100 and 300');
        $this->type('aim_s of step 5', '150'.WebDriverKeys::TAB);
        $this->press('Set version 2');
        $this->see('Version 2.');
        $this->see('Let it settle in the rack');
        $this->type('Lot', 'A-1');
        $this->press('Add the lot');
        $this->see('A-1');
        self::assertSame('', $this->complaints());
    }

    public function test_a_transect_is_read_beside_the_rain(): void
    {
        $this->enter(self::MAREN, '/bench/transects/2');
        $this->see('Nothing was read here yet');
        foreach ([1 => ['4', '2'], 2 => ['9', '11'], 6 => ['5', '']] as $place => [$first, $second]) {
            $this->type("First reading at place {$place}", $first);
            $this->type("Second reading at place {$place}", $second);
        }
        $this->press('Keep the transect');
        $this->see('ppm across the row');
        $this->see('One place has a single reading where two are asked');
        $this->see('nitrogen lies in a band');
        $this->see('a point, not a trend');
        $this->type('How much, in', '0.5');
        $this->press('Note it');
        $this->see('0.5 in');
        $this->press('The readings as a table');
        $this->see('(one reading)');
        self::assertSame('', $this->complaints());
    }

    /** @param list<string> $portions the beginnings of their codes */
    private function setUpRun(array $portions): void
    {
        $this->choosePortions($portions);
        $this->press('Start with '.count($portions).(count($portions) === 1 ? ' tube' : ' tubes'));
        $this->see('Drop the run');
    }

    /** @param list<string> $portions */
    private function choosePortions(array $portions): void
    {
        $this->see('Start a run');
        $this->press('Show portions that this method has read, and archive portions');
        foreach ($portions as $code) {
            $this->click("//label[contains(@class, 'el-checkbox') and contains(., '{$code}')]");
        }
    }

    private function pick(string $label, string $option): void
    {
        $this->pickIn("//label[span[normalize-space()='{$label}']]", $option, true);
    }

    /** A run of 24 tubes by the indicator tube, all of them settling, each a tenth of a second after the one before. */
    private function bigRun(): int
    {
        $id = $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)[1])
            const ask = (path, body) => fetch(`/api${path}`, {
                method: body ? 'POST' : 'GET',
                headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
                body: body && JSON.stringify(body),
            }).then((answer) => answer.json())
            ;(async () => {
                const library = await ask('/bench/library')
                const tube = library.methods.find(({ code }) => code === 'tube-ph')
                const method = await ask('/methods', { definition: tube.definition, why: 'Taken up.' })
                const bench = await ask('/bench?site_id=1')
                const now = Date.now()
                const run = await ask('/sites/1/runs', {
                    submission: crypto.randomUUID(), method_id: method.id,
                    portion_ids: bench.portions.filter(({ kind }) => kind === 'bench').slice(0, 12).map(({ id }) => id),
                    replicates: 2, readers: ['Maren Oakhurst'],
                    said: { water: 'distilled', light: 'behind', soil: 'dry' },
                    celsius: 20, depth_cm: null, lot_ids: [], expired_anyway: false, calibration_id: null, now_ms: now - 90000, note: '',
                })
                const marks = []
                const mark = (kind, number, step, at) => marks.push({ uuid: crypto.randomUUID(), kind, tube: number, at_ms: at, step })
                for (let i = 1; i <= 24; i++) {
                    mark('end', i, 'indicator', now - 80000)
                    mark('end', i, 'soil', now - 70000)
                    mark('begin', i, 'shake', now - 60000 - 100 * i)
                    mark('end', i, 'shake', now - 100 * i)
                }
                await ask(`/runs/${run.id}/marks`, { now_ms: now, marks })
                done(run.id)
            })()
            JS
            ,
        );
        self::assertIsInt($id);

        return $id;
    }

    private function key(string $key): void
    {
        $this->browser->executeScript('document.activeElement?.blur()');
        $this->browser->findElement(WebDriverBy::tagName('body'))->sendKeys($key);
    }

    /** @return list<string> what the clocks of the tubes show */
    private function clocks(): array
    {
        /** @var list<string> $shown */
        $shown = $this->browser->executeScript(
            'return [...document.querySelectorAll("[data-clock]")].map((one) => one.textContent.trim())',
        );

        return $shown;
    }

    private function clock(int $tube): string
    {
        return $this->find("//*[@data-clock='{$tube}']")->getText();
    }

    private function stopClock(int $offset = 0): void
    {
        $this->setClock((int) (microtime(true) * 1000) + $offset);
    }

    private function move(int $ms): void
    {
        $this->setClock($this->now + $ms);
    }

    private function setClock(int $ms): void
    {
        $this->now = $ms;
        $this->browser->executeScript('localStorage.setItem("test-clock", arguments[0])', [(string) $ms]);
    }

    /** As the page writes what is left, and for how long it has been late. */
    private static function span(int $ms): string
    {
        if ($ms <= 0) {
            return $ms >= -120_000 ? 'now' : 'late '.self::span(-$ms - 120_000);
        }
        $seconds = (int) ceil($ms / 1000);

        return intdiv($seconds, 60).':'.str_pad((string) ($seconds % 60), 2, '0', STR_PAD_LEFT);
    }
}
