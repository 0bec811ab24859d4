<?php

declare(strict_types=1);

namespace Launch;

/** Every check and every test. Exits 0 only when all of them pass. */
final class Test
{
    private const TEMPLATE = 'heronstem_template';

    private const WORKERS = 2;

    /** Where random cases begin, so that a run can be repeated; ERIS_SEED in the environment tries others. */
    private const SEED = '20261125';

    private readonly Cluster $cluster;

    private readonly Processes $processes;

    public function __construct(private readonly string $root)
    {
        $this->cluster = new Cluster($root, 'test', ['fsync' => 'off', 'synchronous_commit' => 'off', 'full_page_writes' => 'off']);
        $this->processes = new Processes($root, 'test');
    }

    /** @param  list<string>  $words a suite to run alone: static, core, app, browser */
    public function run(array $words): int
    {
        (new Packages($this->root))->toTest();
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM, SIGHUP] as $signal) {
            pcntl_signal($signal, function (): never {
                $this->cleanUp();
                exit(130);
            });
        }
        $wants = static fn (string $suite): bool => $words === [] || in_array($suite, $words, true);
        $filter = array_values(array_filter($words, static fn (string $word): bool => str_starts_with($word, '--')));
        $code = 0;
        try {
            $this->processes->stop();
            $code |= $wants('static') ? $this->static() : 0;
            $connection = $this->cluster->start();
            $this->template($connection);
            $suites = array_values(array_filter(['Core', 'App', 'Architecture'], static fn (string $suite): bool => $wants(strtolower($suite))));
            $code |= $suites === [] ? 0 : $this->rules($suites, $connection, $filter);
            $code |= $wants('browser') ? $this->browser($connection, $filter) : 0;
        } finally {
            $this->cleanUp();
        }

        return $code === 0 ? 0 : 1;
    }

    private function static(): int
    {
        $checks = [
            'PHPStan' => [PHP_BINARY, '-d', 'memory_limit=2G', 'vendor/bin/phpstan', 'analyse', '--no-progress', '--error-format=raw'],
            'ESLint' => ['npx', '--no-install', 'eslint', 'resources/js', 'tests/Editor'],
            'PHPStan over tests' => [
                PHP_BINARY,
                '-d',
                'memory_limit=2G',
                'vendor/bin/phpstan',
                'analyse',
                '-c',
                'phpstan.tests.neon',
                '--no-progress',
                '--error-format=raw',
            ],
            'TypeScript' => ['npx', '--no-install', 'tsc', '--noEmit'],
            'Prettier' => ['npx', '--no-install', 'prettier', '--check', '--log-level=warn', '**/*.{js,ts,tsx,css,json}'],
            'Vitest' => ['npx', '--no-install', 'vitest', 'run', '--silent'],
            'Pint' => [PHP_BINARY, 'vendor/bin/pint', '--test'],
        ];
        $failed = 0;
        // Most of them keep one processor busy.
        foreach (Shell::beside($checks, self::WORKERS) as $name => $problem) {
            $failed |= $problem === null ? 0 : 1;
            Say::line($problem ?? "$name: nothing to say");
        }

        return $failed;
    }

    /** @param  array<string, string>  $connection */
    private function template(array $connection): void
    {
        $this->cluster->dropDatabase(self::TEMPLATE, $connection);
        $this->cluster->createDatabase(self::TEMPLATE, $connection);
        $this->application($connection, self::TEMPLATE)->must(['migrate', '--force'], 'Preparing the test database');
        for ($worker = 1; $worker <= self::WORKERS; $worker++) {
            $this->cluster->dropDatabase("heronstem_test_$worker", $connection);
            $this->cluster->copyDatabase(self::TEMPLATE, "heronstem_test_$worker", $connection);
        }
    }

    /**
     * @param  list<string>  $suites
     * @param  array<string, string>  $connection
     * @param  list<string>  $filter
     */
    private function rules(array $suites, array $connection, array $filter): int
    {
        return Shell::run(
            [PHP_BINARY, 'vendor/bin/paratest', '--processes='.self::WORKERS, '--testsuite='.implode(',', $suites), ...$filter],
            $this->phpunitEnvironment($connection),
        );
    }

    /**
     * @param  array<string, string>  $connection
     * @param  list<string>  $filter
     */
    private function browser(array $connection, array $filter): int
    {
        $fields = [];
        for ($worker = 1; $worker <= self::WORKERS; $worker++) {
            $fields["ERRANDS_$worker"] = json_encode($this->field($worker, $connection), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
        }
        $code = Shell::run([PHP_BINARY, 'vendor/bin/paratest', '--processes='.self::WORKERS, '--testsuite=Browser', ...$filter], $fields);
        $this->processes->stop();

        return $code;
    }

    /**
     * A demo of its own for one worker, with its servers and its browser.
     *
     * @param  array<string, string>  $connection
     * @return array<string, string> what its errands need to know
     */
    private function field(int $worker, array $connection): array
    {
        $database = "heronstem_browser_$worker";
        $this->cluster->dropDatabase($database, $connection);
        $this->cluster->copyDatabase(self::TEMPLATE, $database, $connection);
        $standIns = StandIns::on($this->root, "test-$worker", 18090 + 20 * $worker);
        // At once: whoever else looks for free ports meanwhile, another run of the tests for one, finds these taken.
        $standIns->start($this->processes);
        $application = new Application(
            $this->root,
            "test-$worker",
            $connection,
            $database,
            settings: [...$standIns->settings(), 'HERONSTEM_TRUSTED_PROXIES' => '127.0.0.1', 'HERONSTEM_LARGE_CHANGE' => '250'],
        );
        $application->must(['heronstem:load-demo'], 'Loading the demo for the browser');
        $editor = Ports::free(18080 + 20 * $worker);
        $ferries = Ports::free($editor + 1);
        $boatyard = Ports::free($ferries + 1);
        $driver = Ports::free($boatyard + 1);
        $application->must(['heronstem:origins', "ferries=http://127.0.0.1:$ferries", "boatyard=http://127.0.0.1:$boatyard"], 'Setting addresses');
        $application->serve($this->processes, [$editor, $ferries, $boatyard], "web-$worker", 4);
        foreach (['queue' => 'default', 'changes' => 'changes'] as $label => $queue) {
            $work = ['artisan', 'queue:work', "--queue=$queue", '--sleep=0.2', '--tries=3'];
            $this->processes->start("$label-$worker", [PHP_BINARY, ...$work], $application->environment());
        }
        $this->processes->start("forget-$worker", [PHP_BINARY, 'artisan', 'heronstem:forget'], $application->environment());
        $this->processes->start("chromedriver-$worker", ['chromedriver', "--port=$driver"], []);

        return [
            ...$application->environment(),
            'EDITOR_URL' => "http://127.0.0.1:$editor",
            'FERRIES_URL' => "http://127.0.0.1:$ferries",
            'BOATYARD_URL' => "http://127.0.0.1:$boatyard",
            'MAILBOX_URL' => $standIns->mailbox(),
            'DRIVER_URL' => "http://127.0.0.1:$driver",
        ];
    }

    /** @param  array<string, string>  $connection */
    private function application(array $connection, string $database): Application
    {
        return new Application($this->root, 'test', $connection, $database);
    }

    /**
     * @param  array<string, string>  $connection
     * @return array<string, string>
     */
    private function phpunitEnvironment(array $connection): array
    {
        $application = $this->application($connection, 'heronstem_test_1');

        return [
            ...array_diff_key($application->environment(), array_flip(['APP_ENV', 'CACHE_STORE', 'SESSION_DRIVER', 'QUEUE_CONNECTION', 'APP_DEBUG'])),
            'APP_ENV' => 'testing',
            'ERIS_SEED' => getenv('ERIS_SEED') ?: self::SEED,
        ];
    }

    private function cleanUp(): void
    {
        $this->processes->stop();
        $this->cluster->stop();
    }
}
