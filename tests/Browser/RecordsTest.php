<?php

declare(strict_types=1);

namespace Tests\Browser;

/** Years of kit and lab values out of a spreadsheet, up to a signed verdict that says what it rests on. */
final class RecordsTest extends BrowserTestCase
{
    public function test_a_newcomers_spreadsheet_is_brought_in_judged_and_signed_as_what_it_is(): void
    {
        $file = sys_get_temp_dir().'/old notebook '.getmypid().'.csv';
        file_put_contents($file, self::notebook());
        $this->enter(self::TOBIAS, '/evidence/1');
        $this->click("//a[normalize-space()='Bring old records in']");
        $this->see('Old records of Burrow capsule kit');
        $this->find("//input[@type='file']")->sendKeys($file);
        $this->see('20 readings of 20 samples; 2 rows left out.');
        $this->see('Row 22: the lab: there is no value.');
        $this->see('"6.2" is no band of the test');
        $this->choose('Day or year', 'no column');
        $this->see('From which year are they? No column says it.');
        $this->choose('Day or year', 'Date');
        $this->see('20 readings of 20 samples');
        $this->choose('What grew there', 'grass and clover pasture');
        $this->type('Where the records come from', 'Notebook of the garden club, 2024, county laboratory.');
        $this->press('Bring 20 readings in');
        $this->see('20 readings of old notebook');
        $this->see('Notebook of the garden club');
        $this->click("//a[normalize-space()='See what they prove']");
        $this->see('From records: how these were read is not known');
        $this->see('Sort: stands');
        $this->click("//section[@aria-label='sort']//button[contains(., 'Sign')]");
        $this->see('It rests on records: how they were read is not known.');
        $this->type('Your password, once more', self::PASSWORD);
        $this->press('Sign as stands');
        $this->see('Signed stands by Tobias Wren');
        $this->open('/decide');
        $this->see('From records, how they were read not known');
        $this->open('/evidence/1');
        $this->see('Sort: open');
        $this->open('/evidence/1/records');
        $this->press('Withdraw it');
        $this->see('withdrawn');
        $this->open('/evidence/1?records=1');
        $this->see('bring old records in');
        self::assertSame('', $this->complaints());
    }

    private static function notebook(): string
    {
        $text = "Sample,Lab pH,Kit reading,Date,Lot\n";
        for ($i = 0; $i < 20; $i++) {
            $band = ['5.0', '6.5', '7.5'][$i % 3];
            $text .= "OLD-{$i},".((float) $band + 0.04 * ($i % 4)).",{$band},".sprintf('2024-04-%02d', 1 + $i).",L-9\n";
        }

        return $text."OLD-21,,6.5,2024-05-01,L-9\nOLD-22,6.2,6.2,2024-05-01,L-9\n";
    }
}
