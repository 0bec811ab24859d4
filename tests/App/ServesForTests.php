<?php

declare(strict_types=1);

namespace Tests\App;

use Symfony\Component\Process\Process;

/** A database of its own, and `./heronstem serve` over it. */
trait ServesForTests
{
    use AsksPostgres;

    private string $folder;

    protected function setUp(): void
    {
        $this->database = 'serve_test_'.bin2hex(random_bytes(4));
        $this->folder = sys_get_temp_dir().'/heronstem-serve-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        chmod($this->folder, 0777);
        $this->postgres()->exec("create database \"{$this->database}\" template heronstem_template");
    }

    protected function tearDown(): void
    {
        $this->postgres()->exec("drop database if exists \"{$this->database}\" with (force)");
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /**
     * @param  array<string, string>  $settings
     * @return array<string, string|false>
     */
    private function environment(array $settings): array
    {
        return [
            'DB_DATABASE' => $this->database,
            'APP_ENV' => false,
            'HERONSTEM_STORAGE' => false,
            'HERONSTEM_NODE_FOLDER' => false,
            'APP_URL' => 'https://editor.example',
            'HERONSTEM_EDITOR_HOSTS' => '127.0.0.1',
            'HERONSTEM_WORKERS' => '3',
            ...$settings,
        ];
    }

    /** @param  array<string, string|false>  $environment */
    private function serve(array $environment): Process
    {
        $serve = new Process([self::command(), 'serve'], env: $environment, timeout: 300);
        $serve->start();
        $serve->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'Serving on'));
        self::assertTrue($serve->isRunning(), $serve->getErrorOutput());

        return $serve;
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string|false>  $environment
     */
    private function must(array $command, array $environment = []): string
    {
        $process = new Process($command, env: $environment, timeout: 120);
        $process->mustRun();

        return $process->getOutput();
    }

    /**
     * @param  list<string>  $headers
     * @return array{int, string, string} status, headers and body
     */
    private function ask(string $url, array $headers = [], ?string $body = null): array
    {
        $curl = curl_init($url);
        curl_setopt_array(
            $curl,
            [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_HEADER => true,
                CURLOPT_SSL_VERIFYPEER => false,
                CURLOPT_SSL_VERIFYHOST => 0,
                CURLOPT_TIMEOUT => 60,
                CURLOPT_HTTPHEADER => $headers,
            ] + ($body === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => $body]),
        );
        [$head, $said] = explode("\r\n\r\n", (string) curl_exec($curl), 2) + ['', ''];

        return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), $head, $said];
    }

    private static function command(): string
    {
        return dirname(__DIR__, 2).'/heronstem';
    }
}
