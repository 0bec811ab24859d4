<?php

declare(strict_types=1);

namespace Launch;

/** The demo: everything on loopback, from an empty machine to addresses and logins. */
final class Demo
{
    private const DATABASE = 'heronstem';

    /** Requests answered at once. */
    private const REQUESTS = 8;

    private readonly Cluster $cluster;

    private readonly Processes $processes;

    /** @var list<string>|null what runs a command as the user of servers and workers */
    private ?array $as = null;

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
            $this->processes->start('watch', [PHP_BINARY, 'heronstem', 'watch'], []);

            return 0;
        }

        return $this->watch();
    }

    /** Looks after what was started, the database included, until it is stopped. */
    public function watch(): never
    {
        for (; ;) {
            sleep(2);
            while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
            try {
                $standIns = new StandIns($this->root, 'demo', $this->ports('stand-ins'));
                $application = $this->connected($this->cluster->start(), self::settings($standIns));
                $this->node($application, $this->ports('ports'), $standIns, $this->ports('watch')[0])->revive();
            } catch (Failed $failed) {
                Say::error($failed->getMessage());
            }
        }
    }

    /** @return list<int> of editor and sites, or of the stand-ins, as they were when it was started */
    private function ports(string $of): array
    {
        return array_map(intval(...), explode(' ', (string) file_get_contents("{$this->root}/var/run/demo.$of")));
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

        return $this->connected($connection);
    }

    /**
     * @param  array<string, string>  $connection
     * @param  array<string, string>  $settings
     */
    private function connected(array $connection, array $settings = []): Application
    {
        return new Application($this->root, 'demo', $connection, self::DATABASE, ($this->as ??= Unprivileged::prefix($this->root)), $settings);
    }

    /** @return array<string, string> */
    private static function settings(StandIns $standIns): array
    {
        return [...$standIns->settings(), 'HERONSTEM_SERVER_TIMING' => 'true'];
    }

    /** @param  list<int>  $ports  of the editor, then of the sites */
    private function node(Application $application, array $ports, StandIns $standIns, int $watch): Node
    {
        $workers = [...Node::workers(1), ...$standIns->commands()];

        return new Node($application, $this->processes, 'demo', $ports, self::REQUESTS, $watch, $workers, $standIns->environment());
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
        $application->must(['heronstem:load-demo', ...isset($options['pages']) ? ['--pages='.$options['pages']] : []], 'Loading the demo');
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
        file_put_contents("{$this->root}/var/run/demo.ports", implode(' ', $ports));
        $standIns = StandIns::on($this->root, 'demo', max($ports) + 1);
        file_put_contents("{$this->root}/var/run/demo.stand-ins", implode(' ', $standIns->ports()));
        $serving = $this->connected($this->cluster->start(), self::settings($standIns));
        $watch = Ports::free(max([0, ...$standIns->ports()]) + 1);
        file_put_contents("{$this->root}/var/run/demo.watch", (string) $watch);
        $this->node($serving, array_values($ports), $standIns, $watch)->start();

        return [
            "editor: http://127.0.0.1:{$ports[0]}",
            "mailbox: {$standIns->mailbox()}",
            "watch: http://127.0.0.1:$watch/metrics",
            ...array_map(static fn (string $origin): string => 'site: '.explode('=', $origin, 2)[1], $origins),
            ...explode("\n", $application->must(['heronstem:logins'], 'Listing logins')),
        ];
    }
}
