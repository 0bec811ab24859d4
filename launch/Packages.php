<?php

declare(strict_types=1);

namespace Launch;

/** Brings in what is missing: Debian's packages, PHP's and Node's, and the built editor. Does nothing when all is there. */
final class Packages
{
    private const EXTENSIONS = [
        'pdo_pgsql' => 'php-pgsql',
        'curl' => 'php-curl',
        'gd' => 'php-gd',
        'zip' => 'php-zip',
        'intl' => 'php-intl',
        'mbstring' => 'php-mbstring',
        'dom' => 'php-xml',
        'apcu' => 'php-apcu',
        'redis' => 'php-redis',
    ];

    public function __construct(private readonly string $root)
    {
    }

    public function toRun(): void
    {
        $this->debian($this->missing());
        $this->composer();
        $this->node();
        $this->editor();
    }

    public function toTest(): void
    {
        $browser = array_filter([
            'chromium' => ! Shell::has('chromium'),
            'chromium-driver' => ! Shell::has('chromedriver'),
            'apache2-bin' => ! is_file('/usr/sbin/apache2'),
            'pgbouncer' => ! is_file('/usr/sbin/pgbouncer'),
            'redis-server' => ! Shell::has('redis-server'),
        ]);
        $this->debian([...$this->missing(), ...array_keys($browser)]);
        $this->composer();
        $this->node();
        $this->editor();
    }

    public function toMeasure(): void
    {
        $this->toTest();
        $this->debian(Shell::has('wrk') ? [] : ['wrk']);
    }

    /** @return list<string> */
    public function missing(): array
    {
        $loaded = array_map('strtolower', explode("\n", Shell::must([PHP_BINARY, '-m'], 'Listing PHP extensions')));
        $missing = array_values(array_diff_key(self::EXTENSIONS, array_flip($loaded)));
        if (Cluster::binaries() === null) {
            $missing[] = 'postgresql';
        }
        if (WebServer::nginx() === null) {
            array_push($missing, 'nginx-light', 'libnginx-mod-http-brotli-static');
        }
        if (WebServer::fpm() === null) {
            $missing[] = 'php'.PHP_MAJOR_VERSION.'.'.PHP_MINOR_VERSION.'-fpm';
        }

        return $missing;
    }

    /** @param  list<string>  $packages */
    private function debian(array $packages): void
    {
        if ($packages === []) {
            return;
        }
        $root = Shell::asRoot();
        Say::step('Missing on this machine, installing from Debian: '.implode(', ', $packages));
        $env = ['DEBIAN_FRONTEND' => 'noninteractive'];
        Shell::must([...$root, 'apt-get', 'update', '-q'], 'Reading Debian\'s package lists', $env);
        Shell::must([...$root, 'apt-get', 'install', '-y', '-q', '--no-install-recommends', ...$packages], 'Installing Debian\'s packages', $env);
        if (array_intersect($packages, self::EXTENSIONS) !== []) {
            $this->beginAgain();
        }
    }

    /** A running PHP does not take up extensions that came after it, so the command starts over in its own place. */
    private function beginAgain(): void
    {
        pcntl_exec(PHP_BINARY, $_SERVER['argv']);
    }

    private function composer(): void
    {
        $this->unlessDone('composer', ['composer.json'], 'vendor/autoload.php', 'Installing PHP packages', function (): void {
            Shell::must(['composer', 'update', '--no-interaction', '--no-progress'], 'composer', [
                'COMPOSER_ALLOW_SUPERUSER' => '1',
                'COMPOSER_PROCESS_TIMEOUT' => '900',
            ]);
            // What the framework has noted of the packages before is no longer true.
            array_map(unlink(...), glob("{$this->root}/bootstrap/cache/*.php") ?: []);
        });
        if (! is_file("{$this->root}/bootstrap/cache/packages.php")) {
            // Noted by whoever owns this folder: servers may run as somebody who can only read it.
            Shell::must([PHP_BINARY, 'artisan', 'package:discover'], 'Noting the packages');
        }
    }

    private function node(): void
    {
        if (! Shell::has('npm')) {
            throw new Failed(
                'npm is missing: the editor is built with Node 20 or later. Install Debian\'s packages nodejs and npm, or Node from its makers, and run this again.',
            );
        }
        $this->unlessDone(
            'node',
            ['package-lock.json'],
            'node_modules/.package-lock.json',
            'Installing Node packages',
            fn () => Shell::must(['npm', 'ci', '--no-fund', '--no-audit'], 'npm ci'),
        );
    }

    private function editor(): void
    {
        // The types of the API are made from its description, and are no source.
        $sources = [
            ...array_diff($this->below('resources/js'), ['resources/js/api/schema.d.ts']),
            ...$this->below('resources/css'),
            ...$this->below('resources/site'),
            'vite.config.ts',
            'package-lock.json',
            'docs/api/openapi.json',
        ];
        $this->unlessDone(
            'editor',
            $sources,
            'public/_editor/manifest.json',
            'Building the editor',
            fn () => Shell::must(['npm', 'run', '--silent', 'build'], 'Building the editor'),
        );
    }

    /**
     * @param  list<string>  $sources  files whose contents decide whether it has to be done again
     * @param  callable(): mixed  $work
     */
    private function unlessDone(string $name, array $sources, string $result, string $saying, callable $work): void
    {
        $stamp = "{$this->root}/var/stamps/$name";
        $state = sha1(implode('', array_map(fn (string $file): string => $file.sha1_file("{$this->root}/$file"), $sources)));
        if (is_file("{$this->root}/$result") && is_file($stamp) && file_get_contents($stamp) === $state) {
            return;
        }
        Say::step($saying);
        $work();
        @mkdir(dirname($stamp), 0755, true);
        file_put_contents($stamp, $state);
    }

    /** @return list<string> */
    private function below(string $folder): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$this->root}/$folder", \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[] = substr((string) $file, strlen($this->root) + 1);
        }
        sort($files);

        return $files;
    }
}
