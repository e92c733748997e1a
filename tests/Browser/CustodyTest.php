<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;

/** From the bag to the report: scanning, trails, consignments and the simulated lab, in the real pages. */
final class CustodyTest extends BrowserTestCase
{
    public function test_a_wrong_code_is_answered_a_double_scan_is_told_and_a_step_is_written_and_corrected(): void
    {
        $this->screen(390, 844);
        $code = $this->code(18, 'lab');
        $this->enter(self::MAREN, '/scan');
        $wrong = substr($code, 0, -1).($code[-1] === '7' ? '8' : '7');
        $this->scan($wrong);
        $this->see("Probably meant: {$code}");
        $this->scan(strtolower($code));
        $this->see("{$code} Lab portion");
        $this->scan($code);
        $this->see('scanned twice?');
        $this->choose('What happened', 'put on the shelf');
        $this->type('Where', 'Shelf C, box 1');
        $this->press('Write it for 1 portion');
        $this->see('1 portion put on the shelf.');

        $this->screen(1280, 800);
        $this->open('/samples/18');
        $this->see('on the shelf, Shelf C, box 1');
        $this->click("//article[contains(., '{$code}')]//button[normalize-space()='Trail and steps']");
        $this->click("//tr[contains(., 'Shelf C, box 1')]//button[normalize-space()='Correct']");
        $this->press('Write it');
        $this->see('Say why the line is corrected');
        $this->type('Why', 'it still lies on the bench');
        $this->press('Write it');
        $this->see('corrected: withdrawn');
        $this->see('reported, Fennick Soil Laboratory');
        self::assertSame('', $this->complaints());
    }

    public function test_split_packed_sent_and_followed_over_the_interface_of_the_simulated_lab(): void
    {
        $this->enter(self::MAREN, '/samples/17');
        $this->press('Split off another portion');
        $this->choose('Which', 'Hidden duplicate');
        $this->type('Soil, ml', '300');
        $this->type('Tests', 'ph');
        $this->press('Split it off');
        $this->see('Hidden duplicate, 300 ml, for ph');
        $code = $this->code(17, 'hidden');

        $this->open('/consignments/new');
        $this->see('Ready to go');
        $this->choose('Lab', 'Fennick Soil Laboratory');
        $this->click("//li[contains(., '{$code}')]//button[normalize-space()='Put in']");
        $this->type('Scan or type a code', "{$code}\n");
        $this->see('scanned twice?');
        $this->see('asks for "Crop wanted", which is empty');
        $this->type('Crop wanted', 'blueberry');
        $this->type('Last limed', 'never');
        $this->miss('Before it goes');
        $this->press('Pack it');
        $this->see('Consignment 5');
        $this->see('hides QH26-17');
        $this->type('Carrier', 'Hollow carriers');
        $this->press('It was handed over');
        $this->see('Simulated: this lab, its days and its results are made up');
        for ($week = 0; $week < 3; $week++) {
            $this->press('A week passes');
            $this->see('at the simulated lab.');
        }
        $this->press('Ask where it is');
        $this->see('Reports');
        $this->see('1 portion for Fennick Soil Laboratory, reported');
        $csv = (string) $this->browser->executeAsyncScript(
            'const done = arguments[0]; fetch(document.querySelector("a[href*=\'/reports/\']").href).then((answer) '.
                '=> answer.text()).then(done)',
        );
        self::assertStringContainsString($code, $csv);
        self::assertSame('', $this->complaints());
    }

    public function test_the_ledger_narrows_and_a_late_consignment_is_asked_for(): void
    {
        $this->enter(self::MAREN, '/send');
        $this->see('working days late');
        $this->pickIn("//*[@aria-label='All areas']", 'Terrace');
        $this->until(
            fn (): bool => str_contains((string) $this->browser->getCurrentURL(), 'area_id='),
            'the filter in the address',
        );
        $this->see('4 composites');
        $this->miss('QH26-18-');
        $this->pickIn("//*[@aria-label='Any state']", 'lost');
        $this->see('No sample has all of this');
        $this->press('Show all');
        $this->see('57 composites');
        $this->open('/');
        $this->see('working days late: ask the lab');
        $this->click("//a[contains(., 'ask the lab')]");
        $this->see('To Alder Bank Laboratory');
        $this->press('The lab was asked today');
        $this->see('asked again today');
        $this->open('/');
        $this->see('working days late, asked on');
    }

    public function test_a_lab_is_added_and_what_is_wrong_stands_by_its_field(): void
    {
        $this->enter(self::MAREN, '/labs');
        $this->press('Add a lab');
        $this->type('Name', 'Wherrow Soil Office');
        $this->type('Code of test 1', 'P H');
        $this->type('Depth of test 1', 'deep');
        $this->press('Keep the lab');
        $this->see('begins with a small letter');
        $this->type('Code of test 1', 'ph');
        $this->press('Keep the lab');
        $this->see('This is no layer');
        $this->type('Depth of test 1', '0-6in');
        $this->press('Keep the lab');
        $this->see('3 labs');
        $this->see('Wherrow Soil Office');
    }

    public function test_quality_control_in_a_plan_says_what_it_costs_and_buys(): void
    {
        $this->enter(self::MAREN, '/plans/3');
        $this->see('Margin on pH');
        $this->click("//summary[normalize-space()='Quality control']");
        $this->type('Duplicate composites', "1\t");
        $this->type('Hidden duplicates', "1\t");
        $this->see('known only within a factor of');
        self::assertStringContainsString('18 cores', $this->fact('quality'));
        $this->see('2 samples at the lab');
    }

    public function test_labels_print_each_on_its_own_piece_of_a_roll_or_together_on_a_sheet(): void
    {
        $this->enter(self::MAREN, '/samples/13/labels');
        $this->until(
            fn (): bool => (int) $this->browser->executeScript(
                'return document.querySelector(".label img")?.naturalWidth ?? 0',
            ) > 0,
            'a QR code that is drawn',
        );
        self::assertSame(['pages' => 1, 'roll' => 0], $this->printed());
        $this->click("//label[contains(., 'Roll, 100')]");
        $this->until(
            fn (): bool => (bool) $this->browser->executeScript('return document.querySelector(".sheet.roll") !== '.
                'null'),
            'the roll',
        );
        self::assertSame(['pages' => 2, 'roll' => 2], $this->printed());
        self::assertSame(
            [],
            $this->browser->executeScript(
                'return [...document.querySelectorAll(".sheet .label")].filter((one) => one.scrollHeight > '.
                    'one.clientHeight + 1 || one.scrollWidth > one.clientWidth + 1).map((one) => one.innerText)',
            ),
            'nothing runs over a label',
        );
    }

    public function test_what_is_done_outdoors_fits_a_phone(): void
    {
        $this->screen(390, 844);
        $this->enter(self::MAREN, '/pull');
        foreach (
            ['/pull' => 'Pull core by core', '/scan' => 'Code on the label', '/pull/19' => 'Core 1'] as $path => $words
        ) {
            $this->open($path);
            $this->see($words);
            self::assertLessThanOrEqual(
                390,
                $this->browser->executeScript('return document.documentElement.scrollWidth'),
                $path,
            );
        }
    }

    /** @return array{pages: int, roll: int} pages in all, and those of 100 by 50 mm (283.5 by 141.7 pt) */
    private function printed(): array
    {
        $made = (new ChromeDevToolsDriver($this->browser))->execute('Page.printToPDF', [
            'preferCSSPageSize' => true,
            'printBackground' => true,
        ]);
        $pdf = (string) base64_decode((string) $made['data'], true);

        return [
            'pages' => (int) preg_match_all('#/Type\s*/Page\b#', $pdf),
            'roll' => (int) preg_match_all('#/MediaBox \[0 0 28[234](\.\d+)? 14[12](\.\d+)?\]#', $pdf),
        ];
    }

    private function scan(string $code): void
    {
        $this->type('Code on the label', $code."\n");
    }

    private function code(int $sample, string $kind): string
    {
        $found = self::$servers
            ->database()
            ->query("SELECT code FROM portions WHERE sample_id = {$sample} AND kind = '{$kind}'");
        self::assertNotFalse($found);

        return (string) $found->fetchColumn();
    }
}
