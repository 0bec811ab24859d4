<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\Test;

/** Errands of an owner: who works on the site, and what they may do where. */
final class RightsTest extends Errand
{
    #[Test]
    public function a_role_is_made_and_given_rights_in_a_branch_and_somebody_has_it_at_once(): void
    {
        $writer = $this->signIn('tam@skerrivane.example', 'sandpiper-noon', $this->browser());
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/ferries/people'));
        $chrome->click('button', 'Copy Writer…');
        $chrome->type('textbox', 'Name of the role', 'Harbour desks');
        $chrome->click('button', 'Make copy');
        $chrome->find('button', 'Rename Harbour desks…');

        $chrome->click('tab', 'Rights');
        $this->choose('Branch', 'Another branch…');
        $chrome->find('dialog', 'Rights in which branch?');
        $chrome->press('Harbours');
        $chrome->find('option', '*/travel/harbours*')->click();
        $chrome->click('gridcell', 'Harbour desks, publish*');
        $chrome->press('a');
        $chrome->find('gridcell', 'Harbour desks, publish: allowed here, not saved yet');
        $chrome->press(WebDriverKeys::ARROW_RIGHT, 'd');
        $chrome->find('gridcell', 'Harbour desks, retire: denied here, not saved yet');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Save rights');
        $chrome->awaitText('Set rights of the role Harbour desks in Harbours');

        $chrome->click('tab', 'People and roles');
        $chrome->click('button', 'Roles of Tam Hollister…');
        $chrome->click('checkbox', 'Harbour desks');
        $chrome->click('checkbox', 'Writer');
        $chrome->click('button', 'Set roles');
        $chrome->awaitText('gets the right “publish” in Harbours');
        $chrome->click('button', 'Set roles');
        $chrome->awaitText('Set the roles of Tam Hollister: Harbour desks');
        self::assertSame([], $chrome->axe());

        // Why, for the person, on a page inside.
        // High enough that what is said at the bottom covers no row.
        $chrome->size(1280, 1100);
        $chrome->click('tab', 'Rights');
        $this->choose('Branch', 'The whole site');
        $chrome->click('gridcell', 'Tam Hollister, publish*');
        $chrome->awaitText('Nothing is said of it anywhere.', '[aria-label=Why]');
        $chrome->click('button', 'Ask about a page…');
        $chrome->press('Port Hallin');
        $chrome->find('option', '*/travel/harbours/port-hallin*')->click();
        $chrome->awaitText('Allowed to the role Harbour desks, in Harbours.', '[aria-label=Why]');

        // In the other browser, without signing in again: there and nowhere else.
        $writer->open($this->editor('/s/ferries/outline?filter=Port+Hallin'));
        $writer->click('button', 'Port Hallin');
        $writer->find('button', 'Unlist');
        $writer->open($this->editor('/s/ferries/outline?filter=Timetables'));
        $writer->click('button', 'Timetables');
        $writer->find('heading', 'Timetables');
        self::assertFalse($writer->has('button', 'Unlist'));

        // A branch that the role does not see is not there for whoever has it, and the tree holds together without it.
        $chrome->click('tab', 'Rights');
        $this->choose('Branch', 'Another branch…');
        $chrome->find('dialog', 'Rights in which branch?');
        $chrome->press('Harbours');
        $chrome->find('option', '*/travel/harbours*')->click();
        $chrome->click('gridcell', 'Harbour desks, see*');
        $chrome->press('d');
        $chrome->click('button', 'Save rights');
        $chrome->awaitText('Tam Hollister', 'section[aria-label=Ripple]');
        $chrome->find('region', 'Ripple')->findElement(WebDriverBy::xpath('.//button[.="Save rights"]'))->click();
        $chrome->find('gridcell', 'Harbour desks, see: denied here');
        $writer->open($this->editor('/s/ferries/outline?filter=harbours%2Fport'));
        $writer->awaitText('No page has “harbours/port” in its name or address');
        $writer->open($this->editor('/s/ferries/outline?filter=Timetables'));
        $writer->find('row', '*Timetables*');
    }

    #[Test]
    public function the_menu_of_a_row_offers_what_one_may_do_there_and_says_what_is_missing(): void
    {
        $chrome = $this->signIn('isla@skerrivane.example', 'turnstone-tide');
        $chrome->find('row', '*Freight*')->click();
        $chrome->click('button', 'Change Freight');
        $chrome->awaitText('you need the right “make and move”');
        self::assertFalse($chrome->has('menuitem', 'Move to…*'));
        $chrome->press(WebDriverKeys::ESCAPE);
        $chrome->find('row', '*Islands*')->click();
        $chrome->click('button', 'Change Islands');
        $chrome->find('menuitem', 'Move to…*');
    }

    #[Test]
    public function somebody_is_invited_by_mail_sets_a_password_and_works_and_forgets_it_again(): void
    {
        // The mailbox keeps letters of earlier runs: nobody had this address.
        $mail = 'ada-'.bin2hex(random_bytes(4)).'@skerrivane.example';
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/ferries/people'));
        $chrome->click('button', 'Invite somebody…');
        $chrome->type('textbox', 'Their mail address', $mail);
        $chrome->type('textbox', 'What they are called', 'Ada Finch');
        $chrome->click('checkbox', 'Writer');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Invite');
        $chrome->find('button', 'Invite again: Ada Finch');

        $ada = $this->browser();
        $ada->open($this->linkFor($mail, 'invites you'));
        $ada->find('heading', 'Welcome, Ada Finch');
        self::assertSame([], $ada->axe());
        $this->expected[] = '422';
        $ada->type('textbox', 'New password', 'ada-finch-2026');
        $ada->click('button', 'Set password and sign in');
        $ada->awaitText('This password is easy to guess');
        $ada->type('textbox', 'New password', 'sandpiper under a bridge');
        $ada->click('button', 'Set password and sign in');
        $ada->find('heading', 'Outline');
        $ada->find('button', 'Make page');

        // Another mail address holds once it is confirmed where it leads.
        $ada->open($this->editor('/account'));
        $ada->type('textbox', 'Mail address', "new-$mail");
        $ada->click('button', 'Save: Mail address');
        $ada->awaitText('waits to be confirmed');
        self::assertSame([], $ada->axe());
        $ada->open($this->linkFor("new-$mail", 'Confirm your mail address'));
        $ada->click('button', 'Confirm this address');
        $ada->awaitText("You sign in with new-$mail from now on.");
        self::assertSame([], $ada->axe());
        $mail = "new-$mail";

        // In a third browser, the password is forgotten.
        $other = $this->browser();
        $other->open($this->editor('/sign-in'));
        $other->type('textbox', 'Mail address', $mail);
        $other->click('button', 'Password forgotten?');
        $other->click('button', 'Send link');
        $other->awaitText('a link to set a new password is on its way');
        $other->open($this->linkFor($mail, 'Set a new password'));
        $other->type('textbox', 'New password', 'a bridge over sandpipers');
        $other->click('button', 'Set password and sign in');
        $other->find('heading', 'Outline');
        // Whoever was signed in with the old one is so no longer.
        $this->expected[] = '401';
        $ada->open($this->editor('/s/ferries/outline'));
        $ada->find('button', 'Sign in');
    }

    /** The link in the newest letter to somebody about something, once it has come. */
    private function linkFor(string $mail, string $about): string
    {
        return $this->chrome->until(function () use ($mail, $about): ?string {
            foreach (json_decode((string) file_get_contents(getenv('MAILBOX_URL').'/mails.json'), true) ?: [] as $letter) {
                if (
                    $letter['to'] === $mail &&
                    str_contains($letter['subject'], $about) &&
                    preg_match('#http\S+/account/\S+#', $letter['text'], $found) === 1
                ) {
                    return $found[0];
                }
            }

            return null;
        }, "a letter to $mail about “{$about}”");
    }

    #[Test]
    public function whoever_does_not_look_after_people_sees_who_works_here_and_is_told_who_does(): void
    {
        $chrome = $this->signIn();
        $chrome->open($this->editor('/s/ferries/people'));
        $chrome->find('heading', 'Who works here');
        self::assertFalse($chrome->has('button', 'Invite somebody…'));
        self::assertFalse($chrome->has('button', 'Roles of Tam Hollister…'));
        self::assertFalse($chrome->has('tab', 'Rights'));
        self::assertSame([], $chrome->axe());
    }
}
