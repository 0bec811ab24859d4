<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Backup\ThinBackups;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Yesterday's backup, made while somebody writes, and brought back: over databases of its own, with the commands as they are. */
final class BackupTest extends TestCase
{
    use AsksPostgres, TestTrait;

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/heronstem-backup-'.bin2hex(random_bytes(6));
        foreach (['backups', 'framework/cache/data', 'framework/views', 'logs', 'app/private'] as $part) {
            mkdir("{$this->folder}/$part", recursive: true);
        }
        $this->database = 'backup_test_'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        $made = $this->postgres()->prepare('select datname from pg_database where starts_with(datname, ?)');
        $made->execute([$this->database]);
        foreach ($made->fetchAll(\PDO::FETCH_COLUMN) as $name) {
            $this->postgres()->exec("drop database \"$name\" with (force)");
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    #[Test]
    public function a_backup_made_under_writing_is_restored_looked_through_and_put_in_use(): void
    {
        $this->postgres()->exec("create database \"{$this->database}\" template heronstem_template");
        $this->must('heronstem:load-demo');
        $files = count(glob("{$this->folder}/app/private/files/*/*") ?: []);
        self::assertGreaterThan(15, $files);
        file_put_contents("{$this->folder}/key", "a key that is long enough\n");

        $writer = $this->writer();
        $writer->start();
        $writer->waitUntil(static fn (string $type, string $said): bool => $type === Process::ERR);
        $said = $this->must('heronstem:backup', "{$this->folder}/backups", '--key-file', "{$this->folder}/key");
        self::assertTrue($writer->isRunning(), 'Somebody wrote all the while: '.$writer->getOutput().$writer->getErrorOutput());
        $writer->stop();
        self::assertStringContainsString("$files files", $said);
        $backup = (glob("{$this->folder}/backups/*.zip") ?: [''])[0];
        self::assertStringNotContainsString('Skerrivane', (string) file_get_contents($backup), 'What is in it is encrypted.');

        self::assertStringContainsString('the key is another', $this->fails('heronstem:restore', $backup));
        $bytes = (string) file_get_contents($backup);
        file_put_contents("{$this->folder}/cut.zip", substr($bytes, 0, intdiv(strlen($bytes), 2)));
        self::assertStringContainsString(
            'cut short',
            $this->fails('heronstem:restore', "{$this->folder}/cut.zip", '--key-file', "{$this->folder}/key"),
        );
        $bytes[intdiv(strlen($bytes), 2)] = chr(ord($bytes[intdiv(strlen($bytes), 2)]) ^ 1);
        file_put_contents("{$this->folder}/damaged.zip", $bytes);
        self::assertStringContainsString(
            'damaged',
            $this->fails('heronstem:restore', "{$this->folder}/damaged.zip", '--key-file', "{$this->folder}/key"),
        );

        // A bad day: a site and all its files are gone.
        $this->postgres($this->database)->exec("delete from sites where key = 'ferries'");
        exec('rm -rf '.escapeshellarg("{$this->folder}/app/private/files"));
        self::assertSame('0', $this->one("select count(*) from sites where key = 'ferries'"));
        $said = $this->must('heronstem:restore', $backup, '--key-file', "{$this->folder}/key", '--switch');
        self::assertStringContainsString('the check found nothing broken', $said);
        self::assertSame('1', $this->one("select count(*) from sites where key = 'ferries'"));
        self::assertCount($files, glob("{$this->folder}/app/private/files/*/*") ?: []);
        self::assertSame('0', $this->one('select count(*) from sessions'));
        self::assertStringContainsString('"ok":true', $this->must('heronstem:check', '--json'));
        self::assertStringContainsString($this->database.'_before_', $said);
    }

    #[Test]
    public function of_old_backups_one_of_each_week_and_month_stays(): void
    {
        $now = (int) strtotime('2026-11-29 12:00 UTC');
        $this->limitTo(60)
            ->forAll(Generators::seq(Generators::choose(0, 500 * 86_400)))
            ->then(function (array $ages) use ($now): void {
                $names = array_values(
                    array_unique([...array_map(static fn (int $age): string => ThinBackups::name($now - $age), $ages), 'notes.txt']),
                );
                $goes = ThinBackups::goes($names, $now);
                $stays = array_values(array_diff($names, $goes));
                self::assertContains('notes.txt', $stays);
                self::assertSame([], ThinBackups::goes($stays, $now), 'Nothing more goes when it is asked again.');
                foreach ($ages as $age) {
                    if ($age < 7 * 86_400) {
                        self::assertContains(ThinBackups::name($now - $age), $stays);
                    }
                    if ($age < 300 * 86_400) {
                        $month = gmdate('Ym', $now - $age);
                        self::assertNotSame(
                            [],
                            array_filter($stays, static fn (string $name): bool => str_starts_with($name, "heronstem-$month")),
                            'A month has one.',
                        );
                    }
                }
                self::assertSame($ages === [], array_filter($stays, static fn (string $name): bool => $name !== 'notes.txt') === []);
            });
    }

    /** Somebody who changes the site without end. */
    private function writer(): Process
    {
        return new Process([PHP_BINARY, __DIR__.'/writer.php', 'ferries', '7', '100000'], env: $this->environment(), timeout: 300);
    }

    private function must(string ...$words): string
    {
        $process = $this->process(...$words);
        $process->run();
        self::assertTrue($process->isSuccessful(), implode(' ', $words).': '.$process->getOutput().$process->getErrorOutput());

        return $process->getOutput();
    }

    private function fails(string ...$words): string
    {
        $process = $this->process(...$words);
        $process->run();
        self::assertSame(1, $process->getExitCode(), $process->getOutput().$process->getErrorOutput());

        return $process->getOutput().$process->getErrorOutput();
    }

    private function process(string ...$words): Process
    {
        return new Process([PHP_BINARY, dirname(__DIR__, 2).'/artisan', ...array_values($words)], env: $this->environment(), timeout: 300);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'DB_DATABASE' => $this->database,
            'HERONSTEM_STORAGE' => $this->folder,
            'APP_ENV' => 'production',
            'CACHE_STORE' => 'file',
            'QUEUE_CONNECTION' => 'database',
            'COLUMNS' => '400',
        ];
    }
}
