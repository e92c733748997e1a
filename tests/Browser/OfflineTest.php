<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverBy;
use Tests\Support\PngFile;

/**
 * The phone with no signal: the browser's own network is off, and the server is killed as well, for a service worker's
 * requests pass by the browser's emulation.
 */
final class OfflineTest extends BrowserTestCase
{
    private bool $down = false;

    protected function setUp(): void
    {
        parent::setUp();
        $this->screen(390, 844);
        $this->enter(self::MAREN);
    }

    protected function tearDown(): void
    {
        if ($this->down) {
            self::$servers->startAgain();
            $this->down = false;
        }
        parent::tearDown();
    }

    public function test_taken_along_pulled_with_no_signal_in_two_tabs_and_handed_in_when_the_line_is_back(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}");
        $this->see('No signal.');
        $this->pullCores(1, 3);
        $this->see('3 entries kept on this phone');
        $this->browser->switchTo()->newWindow();
        $this->screen(390, 844);
        $this->network(true);
        $first = $this->browser->getWindowHandles()[0];
        $here = $this->browser->getWindowHandle();
        $this->browser->switchTo()->window($first)->close();
        $this->browser->switchTo()->window($here);
        $this->open("/pull/{$plan}");
        $this->see('3 of 6 pulled');
        $this->pullCores(4, 6);
        $this->see('All 6 cores are done');
        $this->press('Make the composite');
        $this->see('Handed in, and kept on this phone');
        self::assertMatchesRegularExpression('/composite QH26-\d\d-\w/', $this->text());
        preg_match('/composite (QH26-\d\d-\w)/', $this->text(), $kept);
        self::assertSame(0, $this->stored($plan));

        $this->find("//*[contains(., 'kept on this phone')]");
        $this->comeBack();
        $this->see('Composite '.($kept[1] ?? '-'));
        self::assertSame(6, $this->stored($plan));
        self::assertSame(1, $this->number("SELECT COUNT(*) FROM samples WHERE plan_id = {$plan}"));
        $this->miss('kept on this phone');
    }

    public function test_the_page_can_be_installed(): void
    {
        $this->open('/pull');
        $this->see('Take along');
        $this->browser->executeAsyncScript('navigator.serviceWorker.ready.then(arguments[0])');
        $devTools = new ChromeDevToolsDriver($this->browser);

        self::assertSame(['installabilityErrors' => []], $devTools->execute('Page.getInstallabilityErrors'));
        self::assertSame([], $devTools->execute('Page.getAppManifest')['errors']);
        $kept = (int) $this->browser->executeAsyncScript(
            'const done = arguments[0]; caches.open("honest-core-files").then((cache) => cache.keys()).then((keys) '.
                '=> done(keys.length))',
        );
        self::assertGreaterThan(50, $kept, 'pages, scripts, styles and fonts are on the phone');
    }

    public function test_two_phones_with_no_signal_on_one_plan(): void
    {
        $plan = $this->newPlan();
        $one = $this->browser;
        $two = self::$servers->browser();
        try {
            foreach ([$one, $two] as $phone) {
                $this->browser = $phone;
                $this->screen(390, 844);
                if ($phone === $two) {
                    $this->enter(self::TOBIAS);
                }
                $this->takeAlong();
                $this->open("/pull/{$plan}");
                $this->see('Core 1');
            }
            $this->lose();
            $this->browser = $one;
            $this->network(false);
            $this->pullCores(1, 3);
            $this->browser = $two;
            $this->pullCores(1, 2);
            $this->see('Core 3');
            $this->press('Skipped');
            $this->press('too wet');
            $this->pullCores(4, 6);
            $this->comeBack();
            $this->miss('kept on this phone');
            $this->browser = $one;
            $this->comeBack();
            $this->see('Two phones differ on core 3');
            $this->see('Tobias Wren: skipped, too wet');
            self::assertSame(9, $this->stored($plan));
            $this->press('It was skipped');
            $this->see('5 of 6 pulled');
            $this->see('All 6 cores are done');
            $this->press('Make the composite');
            $this->see('5 cores of 6');
        } finally {
            $this->browser = $one;
            $two->quit();
        }
    }

    public function test_what_was_spread_is_noted_with_no_signal_and_goes_out_once(): void
    {
        $this->open('/follow-up/spread');
        $this->see('lines to spread');
        $this->press('Take along to the field');
        $this->see('On this phone: it works with no signal.');
        $this->lose();
        $this->open('/follow-up/spread');
        $this->see('No signal.');
        $this->click("//ol//button[contains(., 'Long Meadow, west slope') and contains(., 'limestone')]");
        $this->press('Spread as planned');
        $this->see('1 entry kept on this phone');
        $this->find("//ul[contains(@class, 'done')]//li[contains(., 'Long Meadow, west slope') and contains(., 'kept on this phone')]");
        $this->press('Something else was spread');
        $this->press('Note it');
        $this->see('An application needs its rate');
        $this->choose('Product', 'Gypsum');
        $this->type('Rate', '500');
        $this->type('Weather', 'dry, still');
        $picture = tempnam(sys_get_temp_dir(), 'bag').'.png';
        file_put_contents($picture, (string) PngFile::of('bag.png', 60, 60)->getContent());
        $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($picture);
        $this->press('Note it');
        $this->see('2 entries kept on this phone');
        $sql = "SELECT COUNT(*) FROM ground_events WHERE device <> '' AND spread_by = 'Maren Oakhurst' AND created_at > '2026-11-22'";
        self::assertSame(0, $this->number($sql));
        $this->comeBack();
        $this->until(fn (): bool => $this->number($sql) === 2, 'both entries in the database');
        $this->until(fn (): bool => $this->number('SELECT COUNT(*) FROM bag_photos') === 1, 'the photo of the bag beside its entry');
        $this->miss('kept on this phone');
        self::assertSame(2, $this->number($sql), 'each once');
        $this->see('Gypsum, ');
        $this->click("//ul[contains(@class, 'done')]//li[contains(., 'Gypsum')]//button");
        $back = "SELECT COUNT(*) FROM ground_events WHERE kind = 'taken_back'";
        $this->until(fn (): bool => $this->number($back) === 1, 'it is taken back');
        self::assertSame(390, $this->browser->executeScript('return document.documentElement.scrollWidth'));
        unlink($picture);
    }

    public function test_a_session_that_ended_meanwhile_asks_who_it_is_and_hands_in_by_itself(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}");
        $this->pullCores(1, 6);
        $this->see('All 6 cores are done');
        $this->press('Make the composite');
        $this->see('7 entries kept on this phone');
        $this->browser->manage()->deleteAllCookies();
        $this->comeBack();
        $this->see('You were signed out');
        $this->see('7 entries kept on this phone');
        $this->type('Password', self::PASSWORD);
        $this->press('Sign in');
        $this->see('6 cores of 6');
        $this->miss('kept on this phone');
        self::assertSame(
            [6, 1],
            [$this->stored($plan), $this->number("SELECT COUNT(*) FROM samples WHERE plan_id = {$plan}")],
        );
    }

    public function test_five_thousand_entries_go_out_in_order_each_once_though_the_server_dies_amid_them(): void
    {
        $plan = $this->newPlan();
        $this->open('/pull');
        $this->see('Take along');
        $this->browser->executeAsyncScript(
            <<<'JS'
            const [plan, done] = arguments
            const open = indexedDB.open('honest-core')
            open.onsuccess = () => {
                const store = open.result.transaction(['entries', 'meta'], 'readwrite')
                for (let i = 1; i <= 5000; i++)
                    store.objectStore('entries').put({ 
                        uuid: crypto.randomUUID(), plan_id: plan, composite: 1, ordinal: i,
                        sequence: 1 + (i % 6), 
                        outcome: i % 40 ? 'pulled' : 'undone', reason: null, at: new Date().toISOString(),
                        longitude: null, latitude: null, accuracy_m: null, settles: [],
                        user: 'maren@demo.example', state: 'unsent', message: '' })
                store.objectStore('meta').put(5000, 'ordinal')
                store.oncomplete = () => { open.result.close(); done() }
            }
            JS
            ,
            [$plan],
        );
        $this->open("/pull/{$plan}");
        $this->until(fn (): bool => $this->stored($plan) >= 500, 'the first of them in the database');
        self::$servers->kill();
        $this->down = true;
        self::assertLessThan(5000, $this->stored($plan), 'it died amid them');
        $this->comeBack();
        $this->until(
            fn (): bool => $this->stored($plan) === 5000 || str_contains($this->text(), 'You were signed out'),
            'all 5,000 in the database, or who it is asked again',
        );
        if ($this->stored($plan) < 5000) {
            $this->type('Password', self::PASSWORD);
            $this->press('Sign in');
        }
        $this->until(fn (): bool => $this->stored($plan) === 5000, 'all 5,000 in the database');
        $this->miss('kept on this phone');
        $order = self::$servers
            ->database()
            ->query("SELECT ordinal FROM pull_entries WHERE plan_id = {$plan} ORDER BY id");
        self::assertNotFalse($order);
        self::assertSame(range(1, 5000), array_map(intval(...), $order->fetchAll(\PDO::FETCH_COLUMN)));
    }

    public function test_a_full_phone_says_so_and_marks_nothing(): void
    {
        $plan = $this->newPlan();
        // A browser measures what is left at its first write and trusts that for a while: the small phone has to be
        // small from the start.
        $this->browser->quit();
        $this->browser = self::$servers->browser();
        $this->screen(390, 844);
        $devTools = new ChromeDevToolsDriver($this->browser);
        $devTools->execute('Storage.overrideQuotaForOrigin', [
            'origin' => self::$servers->address,
            'quotaSize' => 6_000_000,
        ]);
        $this->enter(self::MAREN, "/pull/{$plan}");
        $this->pullCores(1, 2);
        $this->see('Core 3');
        $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const noise = (bytes) => {
                const all = new Uint8Array(bytes)
                for (let i = 0; i < bytes; i += 65536) crypto.getRandomValues(all.subarray(i, Math.min(bytes, i + 65536)))
                return all
            }
            const open = indexedDB.open('filler', 1)
            open.onupgradeneeded = () => open.result.createObjectStore('bytes', { autoIncrement: true })
            open.onsuccess = () => {
                const sizes = [200_000, 20_000, 2_000, 200]
                const fill = () => {
                    if (!sizes.length) return done()
                    const store = open.result.transaction('bytes', 'readwrite')
                    store.objectStore('bytes').add(noise(sizes[0]))
                    store.oncomplete = fill
                    store.onabort = () => { sizes.shift(); fill() }
                }
                fill()
            }
            JS
            ,
        );
        $this->press('Pulled');
        $this->see('The storage of this phone is full. It was not marked');
        $this->see('2 of 6 pulled');
        $devTools->execute('Storage.overrideQuotaForOrigin', ['origin' => self::$servers->address]);
        $this->browser->executeAsyncScript(
            'const done = arguments[0]; const gone = indexedDB.deleteDatabase("filler"); gone.onsuccess = '.
                'gone.onblocked = () => done()',
        );
        $this->press('Pulled');
        $this->see('3 of 6 pulled');
        $this->until(fn (): bool => $this->stored($plan) === 3, 'three entries stored');
    }

    public function test_a_clock_a_day_off_is_told_and_mended(): void
    {
        $plan = $this->newPlan();
        (new ChromeDevToolsDriver($this->browser))->execute('Page.addScriptToEvaluateOnNewDocument', [
            'source' => <<<'JS'
            const Real = Date
            globalThis.Date = class extends Real {
                constructor(...given) { given.length ? super(...given) : super(Real.now() + 86400000) }
                static now() { return Real.now() + 86400000 }
            }
            JS
            ,
        ]);
        $this->open("/pull/{$plan}");
        $this->pullCores(1, 1);
        $this->see('The clock of this phone is 1 day fast. The times were mended');
        $late = $this->number(
            "SELECT COUNT(*) FROM pull_entries WHERE plan_id = {$plan} AND noted_at > datetime('now', '+5 minutes')",
        );
        self::assertSame([1, 0], [$this->stored($plan), $late]);
    }

    public function test_what_is_unsent_is_said_everywhere_warned_of_at_sign_out_and_waits_for_whoever_made_it(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}");
        $this->pullCores(1, 2);
        $this->screen(1280, 800);
        $this->open('/');
        $this->see('No signal. 2 unsent on this device');
        $this->see('2 entries are on this device alone');
        $this->browser->manage()->deleteAllCookies();
        $this->comeBack();
        $this->see('You were signed out');
        $this->type('E-mail address', 'tobias@demo.example');
        $this->type('Password', self::PASSWORD);
        $this->press('Sign in');
        $this->see('Tobias Wren, reviewer');
        $this->miss('unsent on this device');
        self::assertSame(0, $this->stored($plan), 'another person does not hand them in');
        $this->press('Sign out');
        $this->see('This is a demo');
        $this->enter(self::MAREN);
        $this->until(fn (): bool => $this->stored($plan) === 2, 'they go out when their maker signs in');
        $author = self::$servers
            ->database()
            ->query(
                "SELECT DISTINCT users.name FROM pull_entries JOIN users ON users.id = created_by WHERE plan_id = {$plan}",
            );
        self::assertNotFalse($author);
        self::assertSame(['Maren Oakhurst'], $author->fetchAll(\PDO::FETCH_COLUMN));
    }

    public function test_a_sign_out_with_unsent_entries_asks_first(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}");
        $this->pullCores(1, 1);
        $this->screen(1280, 800);
        $this->open('/');
        $this->see('1 unsent on this device');
        $this->press('Sign out');
        $question = $this->browser->switchTo()->alert();
        self::assertStringContainsString('1 entry is still on this phone alone', (string) $question->getText());
        $question->dismiss();
        $this->see('Maren Oakhurst, technician');
        $this->comeBack();
        $this->until(fn (): bool => $this->stored($plan) === 1, 'the entry');
    }

    public function test_the_map_and_the_labels_are_there_with_no_signal_and_the_codes_are_those_of_the_composite(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}/labels");
        $this->see('Labels ahead');
        $this->see('Lab portion, composite QH26-');
        preg_match('/Lab portion, composite (QH26-\d+-\w)/', $this->text(), $label);
        $this->until(
            fn (): bool => (int) $this->browser->executeScript(
                'return document.querySelector(".label img")?.naturalWidth ?? 0',
            ) > 0,
            'a QR code that is drawn',
        );
        $this->open("/pull/{$plan}");
        $this->press('Map');
        $this->find("//*[@role='img' and contains(@aria-label, 'with 6 numbered cores')]");
        $this->pullCores(1, 6);
        $this->press('Make the composite');
        $this->see('Handed in, and kept on this phone');
        $this->comeBack();
        $this->see('Composite '.($label[1] ?? '-'));
    }

    public function test_entries_that_come_after_the_composite_was_made_are_kept_as_late_and_refused_ones_are_named(): void
    {
        $plan = $this->newPlan();
        $this->takeAlong();
        $this->lose();
        $this->open("/pull/{$plan}");
        $this->pullCores(1, 2);
        $database = self::$servers->database();
        // Meanwhile, before the phone is heard again, somebody makes the composite at the desk; and an entry of this
        // phone names a core that the plan has not.
        $database->exec('INSERT INTO samples (team_id, site_id, area_id, plan_id, created_by, code, year, number, '.
            'depth, pulled_on, pulled_by, cores_planned, cores_pulled, note, composite, conditions, created_at, '.
                "updated_at)
            SELECT team_id, site_id, area_id, {$plan}, created_by, 'QH26-900-X', year, 900, depth, pulled_on, ".
                "pulled_by, 6, 6, '', 1, '{}', created_at, updated_at FROM samples WHERE id = 1");
        $this->browser->executeAsyncScript(
            <<<'JS'
            const [plan, done] = arguments
            const open = indexedDB.open('honest-core')
            open.onsuccess = () => {
                const store = open.result.transaction('entries', 'readwrite')
                store.objectStore('entries').put({ uuid: crypto.randomUUID(), plan_id: plan, composite: 1, ordinal: 9000, sequence: 77, 
                    outcome: 'pulled', reason: null, at: new Date().toISOString(),
                    longitude: null, latitude: null, accuracy_m: null, settles: [],
                        user: 'maren@demo.example', state: 'unsent', message: '' })
                store.oncomplete = () => { open.result.close(); done() }
            }
            JS
            ,
            [$plan],
        );
        self::$servers->startAgain();
        $this->down = false;
        $this->comeBack();
        $this->see('Core 77 was refused. The composite has 6 cores; core 77 is not in it.');
        $this->see('QH26-900-X was made of this already; 2 of this phone');
        self::assertSame(2, $this->number("SELECT COUNT(*) FROM pull_entries WHERE plan_id = {$plan} AND late = 1"));
        $this->press('Take it off');
        $this->miss('Core 77 was refused');
    }

    /**
     * A page that the browser let pass by the worker, as one that was on its way while it began, is taken by it when
     * it is needed.
     */
    public function test_a_page_that_nobody_keeps_is_taken_along_too(): void
    {
        $this->newPlan();
        $this->open('/pull');
        $this->see('Take along to the field');
        $this->browser->executeAsyncScript('navigator.serviceWorker.ready.then(arguments[0])');
        (new ChromeDevToolsDriver($this->browser))->execute('Page.reload', ['ignoreCache' => true]);
        $this->until(
            fn (): bool => $this->browser->executeScript(
                'return document.readyState === "complete" && navigator.serviceWorker.controller === null',
            ) === true,
            'a page that is nobody\'s',
        );
        $this->press('Take along to the field');
        $this->see('taken along');
        $this->miss('plans are on this phone');
        self::assertTrue($this->browser->executeScript('return navigator.serviceWorker.controller !== null'));
    }

    private function takeAlong(): void
    {
        $this->open('/pull');
        $this->press('Take along to the field');
        $this->see('taken along');
        $this->miss('plans are on this phone');
    }

    private function lose(): void
    {
        $this->network(false);
        self::$servers->kill();
        $this->down = true;
    }

    private function comeBack(): void
    {
        if ($this->down) {
            self::$servers->startAgain();
            $this->down = false;
        }
        $this->network(true);
        $this->browser->executeScript('window.dispatchEvent(new Event("online"))');
    }

    private function network(bool $up): void
    {
        (new ChromeDevToolsDriver($this->browser))->execute('Network.emulateNetworkConditions', [
            'offline' => ! $up,
            'latency' => 0,
            'downloadThroughput' => -1,
            'uploadThroughput' => -1,
        ]);
    }

    private function stored(int $plan): int
    {
        return $this->number("SELECT COUNT(*) FROM pull_entries WHERE plan_id = {$plan}");
    }

    private function number(string $query): int
    {
        $found = self::$servers->database()->query($query);

        return $found === false ? -1 : (int) $found->fetchColumn();
    }
}
