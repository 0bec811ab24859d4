<?php

declare(strict_types=1);

namespace Launch;

/** Runs a measurement against a database of its own, so that the demo is left alone. */
final class Bench
{
    private readonly Cluster $cluster;

    private readonly Processes $processes;

    public function __construct(private readonly string $root)
    {
        $this->cluster = new Cluster($root, 'demo');
        $this->processes = new Processes($root, 'bench');
    }

    /** @param  list<string>  $words */
    public function run(array $words): int
    {
        $known = array_map(static fn (string $file): string => basename($file, '.php'), glob("{$this->root}/bench/*.php") ?: []);
        $name = $words[0] ?? '';
        if (! in_array($name, $known, true)) {
            throw new Failed('Say what to measure: '.implode(', ', $known).'.');
        }
        (new Packages($this->root))->toTest();
        $connection = $this->cluster->start();
        if (in_array('--fresh', $words, true)) {
            $this->cluster->dropDatabase('heronstem_bench', $connection);
        }
        $this->cluster->createDatabase('heronstem_bench', $connection);
        $application = new Application($this->root, 'bench', $connection, 'heronstem_bench');
        $application->must(['migrate', '--force'], 'Preparing the database');
        Say::step('Making a site of 100,000 pages, where it is not there yet');
        $application->must(['heronstem:load-demo', '--pages=100000'], 'Making the large site');
        try {
            $editor = Ports::free(19080);
            $application->serve($this->processes, [$editor], 'web', 2);
            $driver = Ports::free($editor + 1);
            $this->processes->start('chromedriver', ['chromedriver', "--port=$driver"], []);

            return Shell::run([PHP_BINARY, '-d', 'opcache.enable_cli=1', "bench/$name.php"], [
                ...$application->environment(), 'EDITOR_URL' => "http://127.0.0.1:$editor", 'DRIVER_URL' => "http://127.0.0.1:$driver",
            ]);
        } finally {
            $this->processes->stop();
        }
    }
}
