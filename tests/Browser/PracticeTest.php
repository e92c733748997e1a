<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** Practice ground in the real pages: a lesson from its plan to what the ground was, a test that is looked at, a class. */
final class PracticeTest extends BrowserTestCase
{
    public function test_a_lesson_from_its_plan_to_what_the_ground_was(): void
    {
        $this->begin('One composite over two histories');
        $this->press('What to do');
        $this->see('Read the history of the field.');
        $this->press('Give me a hint');
        $this->see('or they are two areas');

        $this->open('/practice/reveal');
        $this->see('Nothing is signed yet.');
        $this->miss('What is true');
        self::assertStringContainsString('practice/reveal - Failed to load resource', $this->complaints(), 'refused by the server');

        $this->open('/plans');
        $this->see('Split this area');
        $this->type('Why it stays one composite', 'It looks the same from the gate.');
        $this->press('Save the plan');
        $this->see('Pull it');
        $this->pull();
        $this->measured();

        $this->open('/prescribe');
        $this->click("(//a[contains(., 'The field')])[1]");
        $this->see('Once signed it is not edited');
        $this->type('Your password', 'soil-and-lime');
        $this->press('Sign this program');
        $this->see('Signed by Maren Oakhurst');

        $this->press('What the ground was');
        $this->see('The mistake was made.');
        $this->see('What is true');
        $this->see('What was believed');
        $this->see('Each composite against its ground');
        $this->see('The two histories apart would save');
        self::assertGreaterThan(1000, count($this->browser->findElements(WebDriverBy::cssSelector('figure svg rect'))));
        self::assertSame([], $this->breaches('what the ground was', [1280, 390]));
        self::assertSame('', $this->complaints());

        $this->press('Back to your own records');
        $this->see('Your grounds');
        $this->see('signed');
        $this->miss('nothing here is real');
        $this->open('/');
        $this->see('Quill Hollow');
        $this->miss('Practice ground');
    }

    public function test_what_a_test_shows_is_looked_at_and_written_down_by_the_person(): void
    {
        $this->begin('Tap water');
        $this->open('/bench');
        $this->see('Start a run');
        $this->see('Water: tap');
        $this->open('/bench/by-hand');
        $this->press('Look at the test');
        $this->see('The colour');
        $seen = preg_match('/(?:that of|between) (\d\.\d)/', $this->text(), $found) === 1 ? $found[1] : 'nothing';
        $this->click("//input[@name='band' and @value='{$seen}']/..");
        $this->press('Record the reading');
        $this->see('1 bench portion to read');
        $this->press('Back to your own records');
        $this->see('Your grounds');
    }

    public function test_a_class_has_the_same_ground_and_its_results_stand_side_by_side(): void
    {
        $this->enter(self::MAREN, '/practice');
        $this->type('Name of the class', 'Winter course');
        $this->choose('Lesson', 'Fourteen clean pairs and then a miss');
        $this->press('Open the class');
        $this->see('Others join it under Practice by the code');
        $code = $this->find("//strong[contains(@class, 'code')]")->getText();
        foreach ([self::MAREN, self::TOBIAS] as $who) {
            if ($who === self::TOBIAS) {
                $this->press('Sign out');
                $this->see('This is a demo');
                $this->enter($who, '/practice');
            }
            $this->open('/practice');
            $this->type('Code of a class', $code);
            $this->press('Join it');
            $this->see('Practice ground: nothing here is real.');
            if ($who === self::MAREN) {
                $this->sign();
            }
            $this->press('Back to your own records');
            $this->press('Winter course');
        }
        $this->see('Person 1');
        $this->see('seen once you have signed');
        $this->miss('Maren Oakhurst');
        self::assertSame([], $this->breaches('class', [1280, 390]));
        self::assertSame('', $this->complaints());
    }

    private function sign(): void
    {
        $this->open('/evidence');
        $this->see('14 of 15 samples');
        $this->click("(//*[self::a or self::button][normalize-space()='Sign it'])[1]");
        $this->type('Your password, once more', 'soil-and-lime');
        $this->press('Sign as open');
        $this->see('Signed open by Maren Oakhurst');
    }

    private function begin(string $lesson): void
    {
        $this->enter(self::MAREN, '/practice');
        $this->press("Begin: {$lesson}");
        $this->see('Practice ground: nothing here is real.');
        $this->miss('Quill Hollow');
    }

    private function pull(): void
    {
        $this->open('/pull');
        $this->click("(//a[starts-with(@href, '/pull/')])[1]");
        $this->press('Practice: pull the rest where they are planned');
        $this->see('cores are done');
        $this->press('Make the composite');
        $this->see('PG26-01');
    }

    /** Packed, handed over, reported at once, looked at and taken. */
    private function measured(): void
    {
        $this->open('/consignments/new');
        $this->see('Ready to go');
        $this->press('Put in');
        $this->click("//input[contains(@aria-label, 'SMP buffer pH')]");
        $this->press('Pack it');
        $this->see('Consignment 1');
        $this->press('It was handed over');
        $this->press('Ask where it is');
        $this->press('Look at it and take it');
        $this->see('As it would be stored');
        $this->click("//button[contains(., 'Take the report')]");
        $this->see('2 results.');
    }
}
