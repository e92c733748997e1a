<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Tests\Support\Workbook;

/**
 * A lab's file with title rows, decimal commas, a wrong code and two exchanged samples: mapped, previewed, taken and
 * answered.
 */
final class ReportTest extends BrowserTestCase
{
    public function test_a_file_is_mapped_previewed_taken_and_its_question_answered(): void
    {
        $found = self::$servers
            ->database()
            ->query(
                'SELECT p.code, (SELECT value FROM readings r WHERE r.sample_id = p.sample_id AND r.method_id = 2) '.
                    'FROM portions p WHERE p.kind = \'lab\' ORDER BY p.id LIMIT 18',
            );
        $rows = $found === false ? [] : $found->fetchAll(\PDO::FETCH_NUM);
        [$rows[1][1], $rows[2][1]] = [$rows[2][1], $rows[1][1]];
        $lines = array_map(
            static fn (array $row, int $i): string => ($i === 4 ? 'QH26-05L-9' : $row[0]).
                ';A'.
                (700 + $i).
                ';'.
                number_format((float) $row[1] + 0.02, 2, ',', '').
                ';'.
                ($i === 3 ? '<2' : 20 + $i),
            $rows,
            array_keys($rows),
        );
        $file = sys_get_temp_dir().'/alder-'.getmypid().'.csv';
        file_put_contents(
            $file,
            "Alder Bank Laboratory;;;\r\n\r\nYour code;Lab No;pH (water);Available P\r\n".
                implode("\r\n", $lines).
                "\r\nLAB CHECK 6.5;A999;6,49;40\r\n",
        );

        $this->enter(self::MAREN, '/reports');
        $this->press('Take a lab’s file');
        $this->choose('Lab', 'Alder Bank');
        $this->find("//input[@aria-label='File of the lab' and not(@disabled)]")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($file);
        $this->see('As it would be stored');
        $this->see('no portion of this team');
        $this->pickIn("//*[@aria-label='Extractant of Available P']", 'olsen', true);
        $this->see('no unit that is known is written for phosphorus; say which it is');
        $this->pickIn("//*[@aria-label='Unit of Available P']", 'ppm', true);
        $this->see('phosphorus, olsen');
        $this->miss('say which it is');
        $this->see('below the limit');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('Nothing of the report was stored');
        $this->press('Leave 1 row out, and say so in the report');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('look exchanged');
        $this->see('left out by Maren Oakhurst');
        $this->see('"LAB CHECK 6.5" is the lab\'s own');
        $this->press('Order a recheck');
        $this->see('Say why');
        $this->find("//input[starts-with(@aria-label, 'What you say to')]")->sendKeys(
            'Telephoned; they look at the trays.',
        );
        $this->press('Order a recheck');
        $this->see('Recheck ordered: Telephoned');
        $this->see('Every question is answered');
        $this->open('/reports');
        $this->see('Files taken');
        $this->see('Every composite has the lab’s pH');
        self::assertTrue(
            $this->browser->executeScript(
                'return [...document.querySelectorAll("table.plain")].every((one) => !one.tHead || '.
                    '[...one.tBodies[0].rows].every((row) => row.cells.length === one.tHead.rows[0].cells.length))',
            ),
            'another lab\'s series do not widen the table',
        );
        self::assertSame('', $this->complaints());
        @unlink($file);
    }

    public function test_a_spreadsheet_is_read_in_the_browser_and_a_mass_on_an_area_by_its_density(): void
    {
        $codes = self::$servers
            ->database()
            ->query('SELECT code FROM portions WHERE kind = \'lab\' ORDER BY id LIMIT 3');
        $file = sys_get_temp_dir().'/workbook-'.getmypid().'.xlsx';
        Workbook::write($file, [
            ['Report of the lab'],
            ['Your code', 'S Mehlich-3 (kg/ha)'],
            ...array_map(
                static fn (string $code, int $i): array => [$code, 20.5 + $i],
                $codes === false ? [] : $codes->fetchAll(\PDO::FETCH_COLUMN),
                [0, 1, 2],
            ),
        ]);
        $this->enter(self::MAREN, '/reports/take');
        $this->find("//input[@aria-label='File of the lab' and not(@disabled)]")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($file);
        $this->see('As it would be stored');
        $this->see('10.19 ppm');
        $this->find("//input[@aria-label='Bulk density, g/cm³']")->sendKeys("1\t");
        $this->see('13.45 ppm');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('3 results.');
        $this->see('Nothing in it looks wrong');
        self::assertSame('', $this->complaints());
        @unlink($file);
    }

    /** A workbook whose results stand on the second of two sheets; its lab sends a paper too. */
    public function test_a_sheet_is_chosen_a_guess_is_confirmed_and_the_labs_paper_is_kept(): void
    {
        $codes = self::$servers
            ->database()
            ->query('SELECT code FROM portions WHERE kind = \'lab\' ORDER BY id LIMIT 2');
        $codes = $codes === false ? [] : $codes->fetchAll(\PDO::FETCH_COLUMN);
        $file = sys_get_temp_dir().'/sheets-'.getmypid().'.xlsx';
        Workbook::write(
            $file,
            [['Results stand on the next sheet']],
            [
                ['Your code', 'Zn (mg/kg)'],
                ...array_map(static fn (string $code, int $i): array => [$code, 1.5 + $i], $codes, [0, 1]),
            ],
        );
        $paper = sys_get_temp_dir().'/paper-'.getmypid().'.pdf';
        file_put_contents($paper, "%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF\n");

        $this->enter(self::MAREN, '/reports/take');
        $this->find("//input[@aria-label='File of the lab' and not(@disabled)]")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($file);
        $this->see('The workbook has 2 sheets');
        $this->pickIn("//*[@aria-label='Sheet of the workbook']", 'Sheet 2, 3 rows');
        $this->see('“1.5” becomes 1.50 ppm');
        $this->see('by which extractant? Limits belong to one.');
        $this->miss('all clear');
        $this->press('It is so: Zn (mg/kg)');
        $this->see('every column is understood, and the first results are all clear');
        $this->find("//input[@aria-label='The lab’s own paper' and not(@disabled)]")
            ->setFileDetector(new LocalFileDetector())
            ->sendKeys($paper);
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('2 results.');
        $this->see('Nothing in it looks wrong');
        $this->see(basename($paper));
        self::assertSame('', $this->complaints());
        @unlink($file);
        @unlink($paper);
    }

    public function test_a_report_of_the_interface_is_taken_and_stands_side_by_side(): void
    {
        $this->enter(self::MAREN, '/samples/18');
        $this->press('Split off another portion');
        $this->choose('Which', 'Hidden duplicate');
        $this->type('Soil, ml', '300');
        $this->type('Tests', 'ph');
        $this->press('Split it off');
        $this->see('Hidden duplicate, 300 ml, for ph');
        $this->open('/consignments/new');
        $this->choose('Lab', 'Fennick Soil Laboratory');
        $this->press('Put in');
        $this->type('Crop wanted', 'blueberry');
        $this->type('Last limed', 'never');
        $this->press('Pack it');
        $this->type('Carrier', 'Hollow carriers');
        $this->press('It was handed over');
        foreach ([1, 2, 3] as $week) {
            $this->press('A week passes');
            $this->see('at the simulated lab.');
        }
        $this->press('Ask where it is');
        $this->press('Look at it and take it');
        $this->see('As it would be stored');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('1 result.');
        $this->see('hidden duplicate');
        $this->open('/reports');
        $this->press('Side by side');
        $this->see('57 composites:');
        $this->see('give two answers');
        $this->see('Alder Bank');
        $this->see('Lab beside lab');
        $this->click("//label[contains(., 'Only what is not of one answer')]");
        $this->miss('QH26-18');
        $this->press('potassium');
        $this->see('Potassium, side by side');
        $this->open('/reports/checks');
        $this->see('1 result of a check soil breaks a rule of the chart.');
        self::assertSame('', $this->complaints());
    }
}
