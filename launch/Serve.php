<?php

declare(strict_types=1);

namespace Launch;

/** Heronstem for real, over a PostgreSQL that is there already: in the foreground, for systemd or whoever else looks after services. */
final class Serve
{
    private bool $reloads = false;

    public function __construct(private readonly string $root)
    {
    }

    /** @param  list<string>  $words */
    public function run(array $words): int
    {
        $options = Options::read($words, ['key' => 'switch', 'unit' => 'switch']);
        if (isset($options['key'])) {
            Say::line('base64:'.base64_encode(random_bytes(32)));

            return 0;
        }
        if (isset($options['unit'])) {
            Say::line($this->unit());

            return 0;
        }
        $settings = Settings::read(getenv());
        $processes = new Processes($this->root, $settings->values['HERONSTEM_NODE']);
        (new Packages($this->root))->toRun();
        $application = $this->application($settings);
        $node = new Node(
            $application,
            $processes,
            $settings->values['HERONSTEM_NODE'],
            [$settings->number('HERONSTEM_PORT')],
            $settings->number('HERONSTEM_WORKERS'),
            $settings->number('HERONSTEM_WATCH_PORT'),
            Node::workers($settings->number('HERONSTEM_QUEUE_WORKERS'), $settings->values['HERONSTEM_REDIS'] !== ''),
            settings: $settings,
        );
        $this->migrate($application, $settings);
        pcntl_async_signals(true);
        foreach ([SIGINT, SIGTERM] as $signal) {
            pcntl_signal($signal, static function () use ($processes): never {
                $processes->stop();
                exit(0);
            });
        }
        pcntl_signal(SIGHUP, function (): void {
            $this->reloads = true;
        });
        $processes->stop();
        $node->start();
        Say::step(
            "Serving on {$settings->values['HERONSTEM_BIND']}:{$settings->values['HERONSTEM_PORT']}. SIGHUP takes up changed code without a pause; SIGTERM ends it.",
        );
        for (; ;) {
            sleep(1);
            while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
            if ($this->reloads) {
                $this->reloads = false;
                $this->migrate($application, $settings);
                $node->reload();
                Say::step('Taken up what has changed.');
            }
            foreach ($node->revive() as $label) {
                Say::step("$label was gone, and is there again.");
            }
        }
    }

    /** Whether the environment says that what is served for real is meant, rather than the demo. */
    public static function isMeant(): bool
    {
        return getenv('APP_URL') !== false && getenv('DB_DATABASE') !== false;
    }

    /** @param  list<string>  $words  of a console command, over what is served */
    public function console(array $words): int
    {
        return $this->application(Settings::read(getenv()))->console($words);
    }

    private function application(Settings $settings): Application
    {
        $connection = array_intersect_key(
            $settings->values,
            array_flip(['DB_HOST', 'DB_PORT', 'DB_USERNAME', 'DB_PASSWORD', 'DB_REPLICA_HOST', 'DB_REPLICA_PORT']),
        );
        $more = array_intersect_key($settings->values, array_flip(['APP_KEY', 'APP_URL', 'HERONSTEM_HTTPS_PORT', 'HERONSTEM_REDIS']));

        return new Application(
            $this->root,
            $settings->values['HERONSTEM_NODE'],
            $connection,
            $settings->values['DB_DATABASE'],
            Unprivileged::prefix($this->root),
            [...$more, 'CACHE_STORE' => getenv('CACHE_STORE') ?: 'database'],
        );
    }

    /** By one node at a time; others wait, and find that it is done. */
    private function migrate(Application $application, Settings $settings): void
    {
        $of = $settings->values;
        try {
            $pdo = new \PDO("pgsql:host={$of['DB_HOST']};port={$of['DB_PORT']};dbname={$of['DB_DATABASE']}", $of['DB_USERNAME'], $of['DB_PASSWORD'], [
                \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
            ]);
        } catch (\PDOException $no) {
            throw new Failed(
                "The database cannot be reached with DB_HOST, DB_PORT, DB_DATABASE, DB_USERNAME and DB_PASSWORD as they are set: {$no->getMessage()}",
            );
        }
        // Within a transaction: a pooler may give every statement beyond one to another connection.
        $pdo->beginTransaction();
        $pdo->exec('select pg_advisory_xact_lock(hashtext(\'heronstem migrate\'))');
        $application->must(['migrate', '--force'], 'Preparing the database');
        $pdo->commit();
    }

    private function unit(): string
    {
        return <<<UNIT
        [Unit]
        Description=Heronstem
        After=network-online.target postgresql.service
        Wants=network-online.target

        [Service]
        WorkingDirectory={$this->root}
        EnvironmentFile=/etc/heronstem.env
        ExecStart={$this->root}/heronstem serve
        ExecReload=/bin/kill -HUP \$MAINPID
        KillMode=mixed
        TimeoutStopSec=60
        Restart=always
        RestartSec=2
        LimitNOFILE=65536

        [Install]
        WantedBy=multi-user.target
        UNIT;
    }
}
