<?php

declare(strict_types=1);

namespace Tests\App;

use App\Store\RulesFile;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\RuleSet;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Things that happen to machines: whatever was confirmed before is there afterwards, and what was not is not there by half. */
final class BadDayTest extends TestCase
{
    use AsksPostgres;

    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/heronstem-day-'.bin2hex(random_bytes(6));
        foreach (['framework/cache/data', 'framework/views', 'logs', 'app/private', 'backups'] as $part) {
            mkdir("{$this->folder}/$part", recursive: true);
        }
        $this->database = 'day_test_'.bin2hex(random_bytes(4));
    }

    protected function tearDown(): void
    {
        $this->postgres()->exec("drop database if exists \"{$this->database}\" with (force)");
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    #[Test]
    #[TestWith([1])]
    #[TestWith([17])]
    #[TestWith([40])]
    public function a_migration_that_is_killed_is_taken_up_where_it_was(int $after): void
    {
        $this->postgres()->exec("create database \"{$this->database}\" template template0 encoding 'UTF8' lc_collate 'C.UTF-8' lc_ctype 'C.UTF-8'");
        $migrate = $this->artisan('migrate', '--force', '--no-ansi');
        $migrate->start();
        $migrate->waitUntil(static fn (): bool => substr_count($migrate->getOutput(), 'DONE') >= $after);
        $migrate->signal(SIGKILL);
        $migrate->wait();
        $this->artisan('migrate', '--force')->mustRun();
        self::assertSame($this->shape('heronstem_template'), $this->shape($this->database));
    }

    #[Test]
    public function a_large_change_whose_worker_is_killed_is_whole_or_not_there(): void
    {
        $this->fromTemplate();
        $this->artisan('heronstem:load-demo', '--pages=1500')->mustRun();
        $site = (int) $this->one("select id from sites where key = 'large-1500'");
        $branch = $this->one(
            "select ulid from pages p where site_id = $site and parent_id is null and address <> '/' order by (select count(*) from pages c where c.path <@ p.path) desc limit 1",
        );
        $before = $this->addresses($site);
        $ended = $killed = 0;
        foreach (['begins', 'planning', 'writing', 'end'] as $moment) {
            $change = (string) Str::ulid();
            $asked = json_encode([
                'changes' => [['kind' => 'set-slug', 'page' => $branch, 'slug' => "moved-$moment"]],
                'decisions' => [],
                'defaults' => true,
            ]);
            $this->one(
                "insert into changes_under_way (ulid, site_id, user_id, title, asked, confirmed, pages) values ('$change', $site, (select id from users where email like 'greta@%'), 'Moving', '$asked', true, 9) returning id",
            );
            $work = new Process([PHP_BINARY, __DIR__.'/carry.php', $change], env: $this->environment(), timeout: 120);
            $work->start();
            $state = fn (): string => $this->one("select state from changes_under_way where ulid = '$change'");
            $work->waitUntil(static fn (string $type): bool => $type === Process::ERR);
            while ($work->isRunning() && ! in_array($state(), $moment === 'begins' ? ['waiting', 'planning'] : [$moment], true)) {
                continue;
            }
            $work->isRunning() && $moment !== 'end' && $work->signal(SIGKILL);
            $work->wait();
            $isDone = $state() === 'done';
            $moved = $this->one("select slug from pages where ulid = '$branch'") === "moved-$moment";
            self::assertSame($isDone, $moved, "Killed at $moment: that it is done is written with what it did.");
            self::assertSame(
                $isDone ? '1' : '0',
                $this->one("select count(*) from changes_under_way c join history h on h.id = c.entry_id where c.ulid = '$change'"),
            );
            $isDone ? $ended++ : $killed++;
            $before = $isDone ? $this->addresses($site) : $before;
            self::assertSame($before, $this->addresses($site));
        }
        self::assertGreaterThan(0, $ended);
        self::assertGreaterThan(0, $killed);
        self::assertStringContainsString('"ok":true', $this->artisan('heronstem:check', '--json')->mustRun()->getOutput());
    }

    #[Test]
    public function on_a_full_disk_no_file_is_said_to_be_kept_that_is_not_and_no_backup_is_left_by_half(): void
    {
        $this->fromTemplate();
        $this->artisan('heronstem:load-demo')->mustRun();
        $files = $this->one('select count(*) from files');
        $upload = fn (int $bytes): string => $this->withRoomFor(64, PHP_BINARY, __DIR__.'/carry.php', 'upload', "$bytes")->getOutput();
        self::assertSame('App\Desk\Files\NoRoom', $upload(200_000));
        self::assertSame($files, $this->one('select count(*) from files'));
        self::assertSame(
            (int) $files,
            count(glob("{$this->folder}/app/private/files/ferries/*") ?: []) + count(glob("{$this->folder}/app/private/files/boatyard/*") ?: []),
        );
        self::assertStringStartsWith('kept files/ferries/', $upload(2_000));

        $backup = $this->withRoomFor(64, PHP_BINARY, dirname(__DIR__, 2).'/artisan', 'heronstem:backup', "{$this->folder}/backups");
        self::assertNotSame(0, $backup->getExitCode(), $backup->getOutput());
        self::assertSame([], array_diff(scandir("{$this->folder}/backups") ?: [], ['.', '..']), $backup->getOutput().$backup->getErrorOutput());
    }

    #[Test]
    public function compiled_rules_that_were_cut_short_are_compiled_anew(): void
    {
        $file = RulesFile::here($this->folder, 'd');
        $rules = new AddressRules();
        $file->keep('rules-1-2-x', RuleSet::compile([], $rules, Moment::at(0)));
        self::assertNotNull($file->read('rules-1-2-x', $rules, 0));
        $path = "{$this->folder}/framework/cache/rules-1-2-x.php";
        $whole = (string) file_get_contents($path);
        for ($cut = 0; $cut < strlen($whole) - 1; $cut += 7) {
            file_put_contents("{$this->folder}/framework/cache/rules-1-2-$cut.php", substr($whole, 0, $cut));
            self::assertNull($file->read("rules-1-2-$cut", $rules, 0), "Cut after $cut bytes.");
        }
    }

    /** Runs something that can write files up to so many KB, as on a disk that is nearly full. */
    private function withRoomFor(int $kilobytes, string ...$command): Process
    {
        $words = implode(' ', array_map(escapeshellarg(...), $command));
        $process = new Process(['bash', '-c', "trap '' XFSZ; ulimit -f $kilobytes; exec $words"], env: $this->environment(), timeout: 120);
        $process->run();

        return $process;
    }

    private function fromTemplate(): void
    {
        $this->postgres()->exec("create database \"{$this->database}\" template heronstem_template");
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'DB_DATABASE' => $this->database,
            'HERONSTEM_STORAGE' => $this->folder,
            'HERONSTEM_FILES' => "{$this->folder}/app/private",
            'QUEUE_CONNECTION' => 'sync',
        ];
    }

    private function artisan(string ...$words): Process
    {
        return new Process([PHP_BINARY, dirname(__DIR__, 2).'/artisan', ...array_values($words)], env: $this->environment(), timeout: 180);
    }

    private function addresses(int $site): string
    {
        return $this->one(
            "select md5(string_agg(ulid || address || state, ',' order by ulid)) || (select md5(string_agg(key || kind, ',' order by key)) from ledger where site_id = $site) from pages where site_id = $site",
        );
    }

    /** Tables with their columns, indexes, functions and triggers. */
    private function shape(string $database): string
    {
        $pdo = $this->postgres($database);
        $lists = [
            "select table_name || '.' || column_name || ' ' || data_type || ' ' || is_nullable || ' ' || coalesce(column_default, '') from information_schema.columns where table_schema = 'public'",
            "select indexdef from pg_indexes where schemaname = 'public'",
            "select proname || md5(prosrc) from pg_proc where pronamespace = 'public'::regnamespace",
            'select tgname || tgrelid::regclass::text from pg_trigger where not tgisinternal',
            'select migration from migrations',
        ];

        return implode(
            "\n",
            array_map(static function (string $list) use ($pdo): string {
                $rows = $pdo->query($list)->fetchAll(\PDO::FETCH_COLUMN);
                sort($rows);

                return implode("\n", $rows);
            }, $lists),
        );
    }
}
