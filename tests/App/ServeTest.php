<?php

declare(strict_types=1);

namespace Tests\App;

use Launch\Failed;
use Launch\Ports;
use Launch\Settings;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Served for real: from settings in the environment to https, changed code without a failed request, and an end that leaves nothing running. */
final class ServeTest extends TestCase
{
    use ServesForTests;

    #[Test]
    public function what_is_wrong_with_settings_is_named_all_at_once(): void
    {
        try {
            Settings::read(['APP_KEY' => 'short', 'HERONSTEM_PORT' => 'http', 'HERONSTEM_CERTIFICATE' => '/nowhere.pem']);
            self::fail('Settings that cannot be were taken.');
        } catch (Failed $no) {
            foreach (
                [
                    'APP_KEY cannot be "short"',
                    'APP_URL is not set',
                    'HERONSTEM_PORT cannot be "http"',
                    '/nowhere.pem, which cannot be read',
                    'go together',
                ] as $part
            ) {
                self::assertStringContainsString($part, $no->getMessage());
            }
        }
        $read = Settings::read(['APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'APP_URL' => 'https://editor.example']);
        self::assertSame([8080, null], [$read->number('HERONSTEM_PORT'), $read->certificate()]);
    }

    #[Test]
    public function it_serves_by_https_takes_up_changes_without_a_failed_request_and_ends_whole(): void
    {
        $this->must([
            'openssl',
            'req',
            '-x509',
            '-newkey',
            'rsa:2048',
            '-nodes',
            '-keyout',
            "{$this->folder}/key",
            '-out',
            "{$this->folder}/certificate",
            '-days',
            '2',
            '-subj',
            '/CN=localhost',
        ]);
        array_map(static fn (string $file): bool => chmod($file, 0644), ["{$this->folder}/key", "{$this->folder}/certificate"]);
        $http = Ports::free(18300);
        $https = Ports::free($http + 1);
        $watch = Ports::free($https + 1);
        $environment = $this->environment([
            'APP_KEY' => trim($this->must([self::command(), 'serve', '--key'])),
            'HERONSTEM_PORT' => (string) $http,
            'HERONSTEM_HTTPS_PORT' => (string) $https,
            'HERONSTEM_WATCH_PORT' => (string) $watch,
            'HERONSTEM_CERTIFICATE' => "{$this->folder}/certificate",
            'HERONSTEM_CERTIFICATE_KEY' => "{$this->folder}/key",
        ]);
        self::assertStringContainsString('ExecStart=', $this->must([self::command(), 'serve', '--unit']));
        $serve = $this->serve($environment);
        try {
            self::assertSame(200, $this->ask("https://127.0.0.1:$https/sign-in")[0]);
            self::assertSame(200, $this->ask("http://127.0.0.1:$watch/readyz")[0]);
            self::assertSame(421, $this->ask("http://127.0.0.1:$http/", ['Host: other.example'])[0]);
            $doctor = new Process([self::command(), 'doctor'], env: $environment, timeout: 120);
            $doctor->run();
            self::assertStringContainsString('ok     queue', $doctor->getOutput().$doctor->getErrorOutput());
            self::assertStringNotContainsString('wrong', $doctor->getOutput());

            $serve->signal(SIGHUP);
            // Until it has taken them up somebody asks all the time.
            $asked = [];
            do {
                $asked[] = $this->ask("http://127.0.0.1:$http/sign-in")[0];
            } while (! str_contains($serve->getErrorOutput(), 'Taken up what has changed.'));
            $asked[] = $this->ask("http://127.0.0.1:$http/sign-in")[0];
            self::assertSame([200], array_values(array_unique($asked)));
        } finally {
            $serve->signal(SIGTERM);
            $serve->wait();
        }
        self::assertFalse(@fsockopen('127.0.0.1', $http), 'Nothing answers any more.');
        self::assertFalse(@fsockopen('127.0.0.1', $watch));
    }
}
