<?php

declare(strict_types=1);

namespace Launch;

/** Measurements and pictures, over databases of their own, so that the demo is left alone. */
final class Workbench
{
    private readonly Cluster $cluster;

    private readonly Processes $processes;

    public function __construct(private readonly string $root)
    {
        $this->cluster = new Cluster($root, 'bench');
        $this->processes = new Processes($root, 'bench');
    }

    /** @param  list<string>  $words what to measure */
    public function measure(array $words): int
    {
        $known = array_map(static fn (string $file): string => basename($file, '.php'), glob("{$this->root}/bench/*.php") ?: []);
        $name = $words[0] ?? '';
        if (! in_array($name, $known, true)) {
            throw new Failed('Say what to measure: '.implode(', ', $known).'.');
        }

        if (in_array('--fresh', $words, true)) {
            $this->cluster->dropDatabase('heronstem_bench', $this->cluster->start());
        }

        (new Packages($this->root))->toMeasure();
        if ($name === 'tasks') {
            return $this->onNewDemo("bench/$name.php", 'heronstem_tasks');
        }

        return $this->run("bench/$name.php", 'heronstem_bench', 100000);
    }

    public function takePictures(): int
    {
        return $this->onNewDemo('docs/screenshots/take.php', 'heronstem_pictures');
    }

    /** For what changes the site as it goes, and has to find it as the demo begins. */
    private function onNewDemo(string $script, string $database): int
    {
        (new Packages($this->root))->toTest();
        $this->cluster->dropDatabase($database, $this->cluster->start());

        return $this->run($script, $database, null);
    }

    private function run(string $script, string $database, ?int $pages): int
    {
        (new Packages($this->root))->toTest();
        try {
            $connection = $this->cluster->start();
            $this->cluster->createDatabase($database, $connection);
            $standIns = StandIns::on($this->root, $database, 19090);
            $application = new Application($this->root, $database, $connection, $database, Unprivileged::prefix($this->root), $standIns->settings());
            $application->must(['migrate', '--force'], 'Preparing the database');
            Say::step('Loading what is needed, where it is not there yet');
            $application->must(['heronstem:load-demo', ...$pages === null ? [] : ["--pages=$pages"]], 'Loading');
            $node = $this->isAlone($script) ? [] : $this->startNode($application, $standIns);

            return Shell::run([PHP_BINARY, '-d', 'opcache.enable_cli=1', $script], [...$application->environment(), ...$node]);
        } finally {
            $this->processes->stop();
            $this->cluster->stop();
        }
    }

    /** What changes a branch that it made itself asks the database alone: the work that a node does besides would be in its way. */
    private function isAlone(string $script): bool
    {
        return str_contains((string) file_get_contents("{$this->root}/$script"), 'Branches.inc');
    }

    /** @return array<string, string> where it is found */
    private function startNode(Application $application, StandIns $standIns): array
    {
        $editor = Ports::free(19080);
        $site = Ports::free($editor + 1);
        $driver = Ports::free($site + 1);
        $application->must(['heronstem:origins', "ferries=http://127.0.0.1:$site"], 'Setting addresses');
        $application->serve($this->processes, [$editor, $site], 'web', 4);
        $this->processes->start(
            'queue',
            [PHP_BINARY, 'artisan', 'queue:work', '--queue=changes,default', '--sleep=0.2', '--tries=3'],
            $application->environment(),
        );
        $this->processes->start('forget', [PHP_BINARY, 'artisan', 'heronstem:forget'], $application->environment());
        $standIns->start($this->processes);
        $this->processes->start('chromedriver', ['chromedriver', "--port=$driver"], []);

        return [
            'EDITOR_URL' => "http://127.0.0.1:$editor",
            'FERRIES_URL' => "http://127.0.0.1:$site",
            'DRIVER_URL' => "http://127.0.0.1:$driver",
        ];
    }
}
