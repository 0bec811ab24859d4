<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Jobs\SendLetter;
use PHPUnit\Framework\Attributes\Test;

/** A letter that could not be sent, found by the owner and sent after all; and a page that is kept until it changes. */
final class BackgroundTest extends Errand
{
    #[Test]
    public function what_failed_in_the_background_is_seen_and_tried_again(): void
    {
        $id = '0190a0a0-0000-4000-8000-'.bin2hex(random_bytes(6));
        $job = serialize(new SendLetter('office@skerrivane.example', 'Tried again', ['Words of a letter that was late.']));
        $payload = [
            'uuid' => $id,
            'displayName' => SendLetter::class,
            'job' => 'Illuminate\Queue\CallQueuedHandler@call',
            'maxTries' => 3,
            'data' => ['commandName' => SendLetter::class, 'command' => $job],
        ];
        $this->database()
            ->prepare('insert into failed_jobs (uuid, connection, queue, payload, exception) values (?, ?, ?, ?, ?)')
            ->execute([$id, 'database', 'default', json_encode($payload, JSON_THROW_ON_ERROR), 'RuntimeException: The post office was closed']);
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $chrome->open($this->editor('/s/ferries/settings'));
        $chrome->awaitText('1 job has failed');
        $chrome->click('button', 'What failed…');
        $chrome->find('dialog', 'What failed in the background');
        $chrome->awaitText('The post office was closed');
        self::assertSame([], $chrome->axe());
        $chrome->click('button', 'Try again');
        $chrome->awaitText('It is tried again in the background.');
        $chrome->awaitText('Nothing failed that was not tried again or removed.');
        $chrome->until(
            fn (): ?bool => str_contains((string) file_get_contents(getenv('MAILBOX_URL').'/mails.json'), 'Tried again') ?: null,
            'the letter in the mailbox',
        );
    }

    #[Test]
    public function a_page_is_kept_by_the_web_server_until_something_on_it_changes(): void
    {
        $this->expected = ['404'];
        $kept = fn (string $path): array => $this->headers($this->ferries($path));
        $kept('/help');
        self::assertSame('HIT', $kept('/help')['x-page-cache'] ?? null);
        $asked = curl_init($this->ferries('/help'));
        curl_setopt_array($asked, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['If-None-Match: '.($kept('/help')['etag'] ?? '')]]);
        curl_exec($asked);
        self::assertSame(304, curl_getinfo($asked, CURLINFO_RESPONSE_CODE));

        // Films are asked for by parts, files on conditions.
        preg_match('#/_files/[^" ]+#', $this->fetch($this->ferries('/'))[2], $file);
        $whole = $this->headers($this->ferries($file[0] ?? '/none'));
        $part = $this->headers($this->ferries($file[0] ?? ''), ['Range: bytes=0-9']);
        self::assertMatchesRegularExpression('#^bytes 0-9/\d{3,}$#D', $part['content-range'] ?? '');
        $again = $this->headers($this->ferries($file[0] ?? ''), ["If-None-Match: {$whole['etag']}"]);
        self::assertStringContainsString('304', $again['status']);

        $chrome = $this->signIn();
        $this->makePage('Umbrellas', 'Help');
        $this->goLive();
        // Whoever changed it sees it at once.
        [, , $html] = $this->fetch($this->ferries('/help'));
        self::assertStringContainsString('Umbrellas', $html);
        self::assertSame('HIT', $kept('/help')['x-page-cache'] ?? null);
        self::assertSame('BYPASS', $this->headers($this->ferries('/help'), ['Cookie: heronstem_visitor=somebody'])['x-page-cache'] ?? null);
        $chrome->open($this->ferries('/help/umbrella'));
        $chrome->find('link', 'Umbrellas');
    }

    /**
     * @param  list<string>  $asked
     * @return array<string, string> by name in small letters
     */
    private function headers(string $url, array $asked = []): array
    {
        $headers = [];
        $curl = curl_init($url);
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HTTPHEADER => $asked,
            CURLOPT_HEADERFUNCTION => static function ($curl, string $line) use (&$headers): int {
                [$name, $value] = str_starts_with($line, 'HTTP/') ? ['status', $line] : explode(':', $line, 2) + ['', ''];
                $headers[strtolower(trim($name))] = trim($value);

                return strlen($line);
            },
        ]);
        curl_exec($curl);

        return $headers;
    }
}
