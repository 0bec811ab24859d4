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
    private string $database;

    private string $folder;

    protected function setUp(): void
    {
        $this->database = 'serve_test_'.bin2hex(random_bytes(4));
        $this->folder = sys_get_temp_dir().'/heronstem-serve-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        chmod($this->folder, 0755);
    }

    protected function tearDown(): void
    {
        $this->pdo()->exec("drop database if exists \"{$this->database}\" with (force)");
        exec('rm -rf '.escapeshellarg($this->folder));
    }

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
        $this->pdo()->exec("create database \"{$this->database}\" template heronstem_template");
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
        $environment = [
            'DB_DATABASE' => $this->database,
            'APP_ENV' => false,
            'HERONSTEM_STORAGE' => false,
            'HERONSTEM_NODE_FOLDER' => false,
            'APP_KEY' => trim($this->must([self::command(), 'serve', '--key'])),
            'APP_URL' => 'https://editor.example',
            'HERONSTEM_EDITOR_HOSTS' => '127.0.0.1',
            'HERONSTEM_PORT' => (string) $http,
            'HERONSTEM_HTTPS_PORT' => (string) $https,
            'HERONSTEM_WATCH_PORT' => (string) $watch,
            'HERONSTEM_WORKERS' => '3',
            'HERONSTEM_CERTIFICATE' => "{$this->folder}/certificate",
            'HERONSTEM_CERTIFICATE_KEY' => "{$this->folder}/key",
        ];
        self::assertStringContainsString('ExecStart=', $this->must([self::command(), 'serve', '--unit']));
        $serve = new Process([self::command(), 'serve'], env: $environment, timeout: 300);
        $serve->start();
        try {
            $serve->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'Serving on'));
            self::assertTrue($serve->isRunning(), $serve->getErrorOutput());
            self::assertSame(200, $this->answer("https://127.0.0.1:$https/sign-in"));
            self::assertSame(200, $this->answer("http://127.0.0.1:$watch/readyz"));
            self::assertSame(421, $this->answer("http://127.0.0.1:$http/", 'other.example'));
            $doctor = new Process([self::command(), 'doctor'], env: $environment, timeout: 120);
            $doctor->run();
            self::assertStringContainsString('ok     queue', $doctor->getOutput().$doctor->getErrorOutput());
            self::assertStringNotContainsString('wrong', $doctor->getOutput());

            $serve->signal(SIGHUP);
            // Until it has taken them up somebody asks all the time.
            $asked = [];
            do {
                $asked[] = $this->answer("http://127.0.0.1:$http/sign-in");
            } while (! str_contains($serve->getErrorOutput(), 'Taken up what has changed.'));
            $asked[] = $this->answer("http://127.0.0.1:$http/sign-in");
            self::assertSame([200], array_values(array_unique($asked)));
        } finally {
            $serve->signal(SIGTERM);
            $serve->wait();
        }
        self::assertFalse(@fsockopen('127.0.0.1', $http), 'Nothing answers any more.');
        self::assertFalse(@fsockopen('127.0.0.1', $watch));
    }

    /** @param  list<string>  $command */
    private function must(array $command): string
    {
        $process = new Process($command, timeout: 120);
        $process->mustRun();

        return $process->getOutput();
    }

    private function answer(string $url, string $host = '127.0.0.1'): int
    {
        $curl = curl_init($url);
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_SSL_VERIFYPEER => false,
            CURLOPT_SSL_VERIFYHOST => 0,
            CURLOPT_TIMEOUT => 60,
            CURLOPT_HTTPHEADER => ["Host: $host"],
        ]);
        curl_exec($curl);

        return curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    }

    private static function command(): string
    {
        return dirname(__DIR__, 2).'/heronstem';
    }

    private function pdo(): \PDO
    {
        $server = sprintf('pgsql:host=%s;port=%s;dbname=postgres', getenv('DB_HOST'), getenv('DB_PORT'));

        return new \PDO($server, (string) getenv('DB_USERNAME'), (string) getenv('DB_PASSWORD'));
    }
}
