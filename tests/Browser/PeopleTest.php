<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Actions\People\TimeCode;

/** Somebody is invited, joins, guards the account, and is let go; a site's papers and units are set. */
final class PeopleTest extends BrowserTestCase
{
    private const MAIL = 'rue@quill.example';

    private const OWN_PASSWORD = 'sedge and bulrush by the creek';

    public function test_somebody_is_invited_joins_guards_the_account_and_is_let_go(): void
    {
        $this->enter(self::MAREN, '/people');
        $this->type('E-mail address', self::MAIL);
        $this->pickIn("//form[.//h2[.='Invite somebody']]", 'reader');
        $this->press('Invite');
        $this->see('Shown this once');
        $address = $this->find("//div[contains(@class, 'once')]//pre")->getText();
        self::assertStringStartsWith(self::$servers->address.'/invitation/', $address);
        $this->press('I have it');
        $this->see(self::MAIL);
        $this->press('Sign out');
        $this->see('This is a demo');

        $this->browser->get($address);
        $this->see('Join Quill Hollow soil crew');
        $this->see('Maren Oakhurst invites you as reader: sees all, changes nothing.');
        $this->type('Your name, as it stands under what you write', 'Rue Marsh');
        $this->type('A password', 'short');
        $this->press('Join the team');
        $this->see('A password has 10 characters at least');
        $this->type('A password', self::OWN_PASSWORD);
        $this->press('Join the team');
        $this->see('Rue Marsh, reader');
        $this->browser->get($address);
        $this->see('This invitation is not good any more');

        $this->open('/areas');
        $this->press('Add a site');
        $this->type('Name', 'Rush End');
        $this->press('Add the site');
        $this->see('Your role may not do this');

        $this->open('/account');
        $this->see('Where you are signed in');
        $this->find("//section[.//h2[.='Second factor']]//input[@name='factor-password']")->sendKeys(self::OWN_PASSWORD);
        $this->press('Set it up');
        $this->see('Take this picture with the authenticator');
        $secret = (string) preg_replace('/\s/', '', $this->find("//span[contains(@class, 'secret')]")->getText());
        $this->type('Code', $this->code($secret));
        $this->press('Confirm');
        $this->see('For the day on which the phone is lost');
        $recovery = explode("\n", trim($this->find("//div[contains(@class, 'once')]//pre")->getText()))[0];
        $this->press('I have it');
        $this->press('Sign out');

        $this->see('This is a demo');
        $this->type('E-mail address', self::MAIL);
        $this->type('Password', self::OWN_PASSWORD);
        $this->press('Sign in');
        $this->see('Write the six digits that your authenticator shows.');
        $this->type('Code of the authenticator', $recovery);
        $this->press('Sign in');
        $this->see('Rue Marsh, reader');
        $this->press('Sign out');

        $this->enter(self::MAREN, '/people');
        $this->click("//tr[contains(., 'Rue Marsh')]//button[.='Close']");
        $this->browser->switchTo()->alert()->accept();
        $this->see('closed on');
        $this->press('What was done');
        $this->see('closed an account: Rue Marsh');
        $this->see('invited: rue@quill.example, reader');
        self::assertStringNotContainsString('undefined', $this->complaints());
    }

    public function test_papers_and_units_of_a_site_are_set(): void
    {
        $this->enter(self::MAREN, '/settings');
        $this->see('Whose ground it is');
        $this->type('Whose ground it is', 'Household Quill');
        $this->type('Letters for sample codes', 'ZZ');
        $this->press('Save the site');
        $this->see('The codes of its samples begin with QH');
        $this->type('Letters for sample codes', 'QH');
        $this->pickIn("//label[span[normalize-space()='Units']]", 'metres');
        $this->press('Save the site');
        $this->see('Saved.');
        $this->open('/areas');
        $this->see('Long Meadow, west slope');
        $this->see(' ha');
        $this->open('/account');
        $this->see('Anybody may sign in with this account of the demo');
    }

    public function test_a_new_site_says_what_to_do_first_and_help_is_at_hand(): void
    {
        $this->enter(self::MAREN, '/areas');
        $this->press('Add a site');
        $fields = [
            'Name' => 'Rush End', 'Letters for sample codes' => 'RE', 'Address' => '3 Rush Lane', 'Latitude' => '42.9',
            'Longitude' => '-76.2',
        ];
        foreach ($fields as $label => $text) {
            $this->type($label, $text);
        }
        $this->press('Add the site');
        $this->see('Rush End');
        $this->open('/');
        $this->see('Your first hour');
        $this->see('Draw each piece of ground that is sampled apart');
        $this->browser->getKeyboard()->sendKeys('?');
        $this->see('Keys on this page');
        $this->press('The whole work, in its order');
        $this->see('Write down what was spread, leave a strip untreated');
    }

    /** As an authenticator shows it. */
    private function code(string $secret): string
    {
        return TimeCode::at($secret, intdiv(time(), 30));
    }
}
