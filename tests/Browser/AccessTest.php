<?php

declare(strict_types=1);

namespace Tests\Browser;

use Heronstem\Core\Access\Totp;
use PHPUnit\Framework\Attributes\Test;

/** Errands about who sees what, and about a sign-in that can be trusted. */
final class AccessTest extends Errand
{
    #[Test]
    public function a_branch_is_closed_to_signed_in_visitors_and_somebody_signs_in_and_comes_back_to_it(): void
    {
        $chrome = $this->signIn();
        $visitor = $this->browser();
        $visitor->open($this->ferries('/help'));
        $visitor->find('heading', 'Help*');
        $chrome->open($this->editor('/s/ferries/outline?filter=Lost'));
        $chrome->click('button', 'Lost property');
        $chrome->click('button', 'Change who sees the page…');
        $chrome->click('radio', 'Some visitors');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'See what follows…');
        // What others lose is told before it is done.
        $chrome->awaitText('1 page opened or closed');
        $chrome->awaitText('is closed to all but signed-in visitors');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Change');
        $chrome->awaitText('Closed Lost property to all but some visitors');
        $chrome->find('img', 'closed to some visitors');

        $visitor->open($this->ferries('/help/lost-property'));
        $visitor->find('heading', 'Sign in');
        self::assertSame([], $visitor->axe());
        $visitor->type('textbox', 'Mail address', 'eilidh@skerrivane.example');
        $visitor->type('textbox', 'Password', 'gannet-by-evening');
        $visitor->click('button', 'Sign in');
        $visitor->find('heading', 'Lost property*');
        self::assertSame('/help/lost-property', $visitor->path());

        // Taken back, it is open to everyone.
        $chrome->click('button', 'Undo');
        $chrome->awaitText('Undone:');
        $other = $this->browser();
        $other->open($this->ferries('/help/lost-property'));
        $other->find('heading', 'Lost property*');
    }

    #[Test]
    public function a_page_opens_with_its_password_and_what_is_for_a_network_is_not_there_for_others(): void
    {
        $this->expected = ['403', '404', '422'];
        $visitor = $this->browser();
        $visitor->open($this->ferries('/partner-pictures'));
        $visitor->find('heading', 'This page opens with a password');
        self::assertSame([], $visitor->axe());
        $visitor->type('textbox', 'Password of this page', 'kittiwake-at-noon');
        $visitor->click('button', 'Open the page');
        $visitor->awaitText('not the password of this page');
        $visitor->type('textbox', 'Password of this page', 'oystercatcher-at-noon');
        $visitor->click('button', 'Open the page');
        $visitor->awaitText('Please name Skerrivane Ferries beneath them');

        $visitor->open($this->ferries('/freight/new-fares-on-trial'));
        $visitor->find('heading', 'There is no page here');
        $visitor->open($this->ferries('/crew-rota/open-day'));
        $visitor->find('heading', 'Open day on board*');
    }

    #[Test]
    public function a_second_step_is_set_up_and_asked_for_and_a_written_code_lets_in(): void
    {
        $this->expected = ['422'];
        $chrome = $this->signIn('ruaridh@skerrivane.example', 'dunlin-evening');
        $chrome->click('button', 'RP, signed in as Ruaridh Pell');
        $chrome->click('menuitem', 'Your account');
        $chrome->find('heading', 'Your account');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Set up…');
        $chrome->find('img', 'QR code for your device');
        self::assertSame([], $chrome->axe());
        preg_match('/(?:[A-Z2-7]{4} ){7}[A-Z2-7]{4}/', $chrome->text('[role=dialog]'), $secret);
        $totp = Totp::ofLetters($secret[0] ?? '');
        $chrome->type('textbox', '2. The code that it shows now', $totp->code(Totp::stepAt(time())));
        $chrome->click('button', 'Switch on');
        $chrome->find('dialog', 'Your backup codes');
        preg_match_all('/[a-z2-7]{5}-[a-z2-7]{5}-[a-z2-7]{5}/', $chrome->text('[role=dialog]'), $codes);
        self::assertCount(10, $codes[0]);
        $chrome->click('button', 'I have them');
        $chrome->awaitText('10 codes left');

        $other = $this->browser();
        $other->open($this->editor('/sign-in'));
        $other->type('textbox', 'Mail address', 'ruaridh@skerrivane.example');
        $other->type('textbox', 'Password', 'dunlin-evening');
        $other->click('button', 'Sign in');
        $other->type('textbox', 'Code of your device', $codes[0][2]);
        self::assertSame([], $other->axe());
        $other->click('button', 'Sign in');
        $other->find('heading', 'Outline');

        // The other session is seen here, and ended from here.
        $chrome->open($this->editor('/account'));
        $chrome->click('button', 'End all others');
        $chrome->awaitNoText('End all others');
        $this->expected[] = '401';
        $other->open($this->editor('/s/ferries/menus'));
        $other->find('button', 'Sign in');
        $chrome->click('button', 'Switch off');
        $chrome->awaitText('Off.');
    }

    #[Test]
    public function what_weighs_is_confirmed_in_place_and_then_done(): void
    {
        $this->expected = ['403'];
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/ferries/people?show=visitors'));
        // The sign-in was long ago.
        $this->ageSessions();
        $chrome->click('button', 'Add a visitor…');
        $chrome->type('textbox', 'What they are called', 'Ann Tolsta');
        $chrome->type('textbox', 'Their mail address', 'ann-'.bin2hex(random_bytes(4)).'@skerrivane.example');
        $chrome->type('textbox', 'Their roles', 'islander');
        $chrome->click('button', 'Add');
        $chrome->find('dialog', 'Confirm that it is you');
        self::assertSame([], $chrome->axe());
        $chrome->type('textbox', 'Password', 'wagtail-office');
        $chrome->click('button', 'Confirm');
        $chrome->awaitText('Ann Tolsta is told by mail.');
        $chrome->find('button', 'Invite again: Ann Tolsta');
        self::assertSame([], $chrome->axe());
    }

    #[Test]
    public function an_owner_looks_as_a_writer_and_lets_a_writer_in_no_longer(): void
    {
        $this->expected = ['403'];
        $writer = $this->signIn('tam@skerrivane.example', 'sandpiper-noon', $this->browser());
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/ferries/people'));
        $chrome->click('button', 'View as… Isla Verrin');
        $chrome->awaitText('You look at this site as Isla Verrin');
        self::assertSame([], $chrome->axe());
        $chrome->open($this->editor('/s/ferries/outline?filter=Timetables'));
        $chrome->click('button', 'Timetables');
        $chrome->find('heading', 'Timetables');
        self::assertFalse($chrome->has('button', 'Unlist'));
        $chrome->click('button', 'Stop viewing');
        $chrome->find('button', 'Unlist');

        $chrome->open($this->editor('/s/ferries/people'));
        $chrome->click('button', 'Disable Tam Hollister');
        $chrome->awaitText('Tam Hollister can no longer sign in.');
        $this->expected[] = '401';
        $writer->open($this->editor('/s/ferries/outline'));
        $writer->find('button', 'Sign in');
        $chrome->click('button', 'Enable Tam Hollister');
        $chrome->find('button', 'Disable Tam Hollister');
        $chrome->click('tab', 'Log');
        $chrome->awaitText('Disabled: Tam Hollister');
        self::assertSame([], $chrome->axe());
    }

    /** Signing in was so long ago that it is to be confirmed. */
    private function ageSessions(): void
    {
        $sessions = $this->database()->query('select id, payload from sessions where user_id is not null');
        $change = $this->database()->prepare('update sessions set payload = ? where id = ?');
        foreach ($sessions === false ? [] : $sessions->fetchAll(\PDO::FETCH_NUM) as [$id, $payload]) {
            $kept = unserialize((string) base64_decode((string) $payload, true));
            $change->execute([base64_encode(serialize(['signed_in_at' => time() - 3600] + (array) $kept)), $id]);
        }
    }
}
