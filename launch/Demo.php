<?php

declare(strict_types=1);

namespace Launch;

/** The demo: everything on loopback, from an empty machine to addresses and logins. */
final class Demo
{
    private const DATABASE = 'heronstem';

    private readonly Cluster $cluster;

    private readonly Processes $processes;

    public function __construct(private readonly string $root)
    {
        $this->cluster = new Cluster($root, 'demo');
        $this->processes = new Processes($root, 'demo');
    }

    /** @param  list<string>  $words */
    public function start(array $words): int
    {
        $options = Options::read($words, ['port' => 'number', 'fresh' => 'switch', 'detach' => 'switch', 'pages' => 'number']);
        (new Packages($this->root))->toRun();
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM, SIGHUP] as $signal) {
            pcntl_signal($signal, function (): never {
                $this->stop();
                exit(0);
            });
        }
        if ($this->processes->stop() > 0) {
            Say::step('Stopped an earlier demo.');
        }
        try {
            $lines = $this->bringUp($options);
        } catch (\Throwable $failure) {
            try {
                $this->stop();
            } catch (Failed $more) {
                Say::error($more->getMessage());
            }
            throw $failure;
        }
        Say::step(isset($options['detach']) ? './heronstem stop ends it.' : 'Ctrl-C ends it.');
        foreach ($lines as $line) {
            Say::line($line);
        }
        if (isset($options['detach'])) {
            return 0;
        }
        while ($this->processes->isRunning('queue')) {
            sleep(1);
            while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
        }
        $this->stop();

        return 1;
    }

    public function stop(): int
    {
        $stopped = $this->processes->stop();
        $this->cluster->stop();
        Say::step($stopped > 0 ? 'Stopped.' : 'Nothing was running.');

        return 0;
    }

    /**
     * Runs a console command against the demo's database, which is started for it, and stopped again, when it is not running.
     *
     * @param  list<string>  $words
     */
    public function console(array $words): int
    {
        if (! is_file("{$this->root}/vendor/autoload.php") || Cluster::binaries() === null) {
            (new Packages($this->root))->toRun();
        }
        if ($this->cluster->isRunning()) {
            return $this->application()->console($words);
        }
        try {
            $application = $this->application();
            $application->must(['migrate', '--force'], 'Preparing the database');

            return $application->console($words);
        } finally {
            $this->cluster->stop();
        }
    }

    private function application(): Application
    {
        $connection = $this->cluster->start();
        $this->cluster->createDatabase(self::DATABASE, $connection);

        return new Application($this->root, 'demo', $connection, self::DATABASE);
    }

    /**
     * @param  array<string, int|bool>  $options
     * @return list<string>
     */
    private function bringUp(array $options): array
    {
        if (isset($options['fresh'])) {
            $this->cluster->dropDatabase(self::DATABASE, $this->cluster->start());
            Shell::must(['rm', '-rf', "{$this->root}/var/demo-storage"], 'Clearing files');
        }
        $application = $this->application();
        $application->must(['migrate', '--force'], 'Preparing the database');
        $application->must(['heronstem:load-demo', ...(isset($options['pages']) ? ['--pages='.$options['pages']] : [])], 'Loading the demo');
        $wanted = (int) ($options['port'] ?? 8080);
        $ports = [];
        $sites = explode("\n", $application->must(['heronstem:sites'], 'Listing sites'));
        for ($i = 0, $from = $wanted; $i <= count($sites); $i++, $from = $ports[$i - 1] + 1) {
            $ports[$i] = Ports::free($from);
            if ($ports[$i] !== $from) {
                Say::step("Port $from is in use; taking {$ports[$i]}.");
            }
        }
        $origins = array_map(static fn (string $site, int $port): string => "$site=http://127.0.0.1:$port", $sites, array_slice($ports, 1));
        $application->must(['heronstem:origins', ...$origins], 'Setting the sites\' addresses');
        $application->serve($this->processes, [$ports[0]], 'editor', 6);
        $application->serve($this->processes, array_slice($ports, 1), 'site', 3);
        $this->processes->start('queue', [PHP_BINARY, 'artisan', 'queue:work', '--sleep=1', '--tries=3', '--memory=512'], $application->environment());

        $this->processes->start('schedule', [PHP_BINARY, 'artisan', 'schedule:work'], $application->environment());

        return [
            "editor: http://127.0.0.1:{$ports[0]}",
            ...array_map(static fn (string $origin): string => 'site: '.explode('=', $origin, 2)[1], $origins),
            ...explode("\n", $application->must(['heronstem:logins'], 'Listing logins')),
        ];
    }
}
