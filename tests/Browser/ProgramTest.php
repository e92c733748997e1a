<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverKeys;

/** A program from draft to the grower's page, in the real interface. */
final class ProgramTest extends BrowserTestCase
{
    public function test_a_program_is_drafted_changed_signed_printed_shared_and_withdrawn(): void
    {
        $this->enter(self::MAREN, '/prescribe/3');
        $this->see('Old orchard below the barn: apple and pear, 2027');
        $this->see('A reviewer signs it.');
        $this->choose('Crop', 'grass hay');
        $this->see('Old orchard below the barn: grass hay, 2027');
        $this->type('Yield hoped for, tons/acre', '4'.WebDriverKeys::TAB);
        $this->see('Not kept yet');
        $this->press('Keep as draft');
        $this->see('Say why it is changed');
        $this->type('Why', 'The trees came down; it is mown for hay from now on.');
        $this->press('Keep as draft');
        $this->see('yield: 3 to 4');
        $this->see('The trees came down');

        // Against the figures, with a reason that prints.
        $this->click("(//*[contains(@class, 'line')][.//h3[contains(., 'Nitrogen, N')]]//button)[1]");
        $this->type('Amount, lb/acre', '80'.WebDriverKeys::TAB);
        $this->type('Why, in 10 letters or more', 'A third of it is clover by the count of June.');
        $this->press('Set it');
        $this->see('Against the figures, which say 120 lb/acre: A third of it is clover');
        $this->type('Why', 'The clover was counted.');
        $this->press('Keep as draft');
        $this->see('The clover was counted.');
        self::assertSame('', $this->complaints());

        $this->press('Sign out');
        $this->see('This is a demo');
        $this->enter(self::TOBIAS, '/prescribe/3');
        $this->see('grass hay, 2027');
        $this->see('Once signed it is not edited');
        $this->type('Your password', 'not this');
        $this->press('Sign this program');
        $this->see('That is not your password; nothing was signed.');
        $this->type('A word to the grower', 'Mow high in the first year.');
        $this->type('Your password', 'soil-and-lime');
        $this->press('Sign this program');
        $this->see('Signed by Tobias Wren');
        $this->see('Mow high in the first year.');
        $this->see('Against the figures');

        (new ChromeDevToolsDriver($this->browser))->execute('Emulation.setEmulatedMedia', ['media' => 'print']);
        $this->miss('Open an address');
        $this->miss('Sign out');
        self::assertStringContainsString('Nitrogen', $this->text());
        (new ChromeDevToolsDriver($this->browser))->execute('Emulation.setEmulatedMedia', ['media' => '']);

        $this->press('Open an address');
        $this->see('Shown this once');
        $here = (string) $this->browser->getCurrentURL();
        $address = (string) $this->find("//p[contains(@class, 'address')]//a")->getAttribute('href');
        $this->press('Sign out');
        $this->see('This is a demo');
        $this->growersPage($address);

        $this->browser->get($here);
        $this->press('Withdraw');
        $this->see('withdrawn');
        $this->browser->get($address);
        $this->see('There is nothing at this address any more');
    }

    public function test_an_area_opened_by_link_turns_the_page_to_its_site(): void
    {
        $this->enter(self::MAREN, '/prescribe');
        $this->see('Long Meadow, west slope');
        foreach (['/prescribe/7', '/prescribe/7/lime', '/prescribe/7/crops'] as $path) {
            $this->browser->get(self::$servers->address.$path);
            $this->see('Tansy Hill , season');
            $this->see('Raspberry canes past the pump');
            $this->miss('Long Meadow, west slope');
            $this->pickIn("//span[contains(@class, 'where')]", 'Quill Hollow');
            $this->see('Quill Hollow , season');
            $this->see('Long Meadow, west slope');
            $this->miss('Raspberry canes past the pump');
        }
        self::assertSame('', $this->complaints());
    }

    /** At the width of a phone, with nobody signed in. */
    private function growersPage(string $address): void
    {
        $this->screen(390, 844);
        $this->browser->get($address);
        foreach (['Where the sample comes from', 'What was found', 'What to do', 'What is not known'] as $part) {
            $this->see($part);
        }
        $this->see('Old orchard below the barn: what to spread for grass hay in 2027');
        $this->see('A third of it is clover');
        $this->miss('Long Meadow');
        self::assertSame(390, $this->browser->executeScript('return document.documentElement.scrollWidth'));
        $sheet = (string) $this->browser->executeScript(
            'return [...document.styleSheets[0].cssRules].filter((rule) => rule instanceof CSSPageRule).map((rule) => rule.cssText).join()',
        );
        self::assertStringContainsString('Old orchard below the barn, Quill Hollow', $sheet, 'whose it is on each page');
        self::assertStringContainsString('counter(pages)', $sheet);
        $this->screen(1280, 800);
        $this->enter(self::TOBIAS);
    }

    public function test_products_are_chosen_by_hand_and_what_may_not_be_brought_is_said(): void
    {
        $this->enter(self::MAREN, '/prescribe/1');
        $this->see('No phosphorus, and no product may bring any');
        $this->press('Choose products myself');
        $this->pickIn("//label[span[normalize-space()='Take one more']]", 'Bone meal');
        $this->type('Bone meal, lb/acre', '200'.WebDriverKeys::TAB);
        $this->see('This brings P2O5, which may not be brought');
        $this->see('Why these products may bring what should not be brought');
        $this->press('Back to the proposed mix');
        $this->miss('This brings P2O5');
    }

    public function test_causes_of_a_high_ph_are_answered_and_stay(): void
    {
        $this->enter(self::MAREN, '/prescribe/5');
        $this->see('Why is the pH high?');
        $within = "//div[contains(concat(' ', @class, ' '), ' cause ')][contains(., 'lime, wood ash or mortar')]";
        $this->pickIn($within, 'yes');
        $this->see('Answered yes: lime of late');
        $this->browser->navigate()->refresh();
        $this->see('Answered yes: lime of late');
    }

    public function test_the_shelf_takes_a_product_and_a_mix_can_use_it(): void
    {
        $this->enter(self::MAREN, '/shelf');
        $this->press('Add a product');
        $this->type('Name, without a brand', 'Fen meal');
        $this->type('N', '80'.WebDriverKeys::TAB);
        $this->type('K2O', '40'.WebDriverKeys::TAB);
        $this->press('Save');
        $this->see('add up to 120 %');
        $this->type('N', '6'.WebDriverKeys::TAB);
        $this->type('K2O', '4'.WebDriverKeys::TAB);
        $this->press('Save');
        $this->see('Fen meal');
        $this->see('6-0-4');
    }

    public function test_the_reckoner_opens_by_link_and_refuses_in_the_words_of_the_command(): void
    {
        $this->enter(self::MAREN, '/reckoner/lime?ph=5.9&target=6.5&smp=6.5');
        // SMP 6.5 to pH 6.5 is 3.8 tons for 8 in (North Central Regional Publication 221, memory); 6 in are 2.85.
        $this->see('2.85');
        $this->see('Shoemaker, McLean & Pratt 1961');
        $this->type('pH now', 'low');
        $this->see('"low" is not a number');
        $this->type('pH now', '5.2');
        $this->until(
            fn (): bool => str_contains((string) $this->browser->getCurrentURL(), 'ph=5.2'),
            'what was typed in the address',
        );
        $this->press('Nitrogen');
        $this->see('150 − (legume 0 + applied 0 + manure 0 + irrigation 0) = 150 lb N/acre');
        self::assertSame('', $this->complaints());
    }
}
