<?php

declare(strict_types=1);

namespace Launch;

/** The application over one database: its environment, its console, its servers. */
final class Application
{
    /** @var array<string, true> storages that were given to their user by this run */
    private static array $handed = [];

    /**
     * @param  array<string, string>  $connection as Cluster::start gives it
     * @param  list<string>  $as  what runs a command as another user; empty to run as who starts it
     * @param  array<string, string>  $settings  of the application besides
     */
    public function __construct(
        private readonly string $root,
        private readonly string $name,
        private readonly array $connection,
        private readonly string $database,
        public readonly array $as = [],
        private readonly array $settings = [],
    ) {
    }

    /** @return array<string, string> */
    public function environment(): array
    {
        return [
            ...$this->connection,
            'DB_DATABASE' => $this->database,
            'APP_KEY' => $this->key(),
            'HERONSTEM_STORAGE' => $this->storage(),
            'APP_ENV' => 'production',
            'APP_DEBUG' => 'false',
            'CACHE_STORE' => 'file',
            'SESSION_DRIVER' => 'database',
            'QUEUE_CONNECTION' => 'database',
            ...$this->settings,
        ];
    }

    public function storage(): string
    {
        $storage = "{$this->root}/var/{$this->name}-storage";
        foreach (['framework/views', 'framework/cache/data', 'framework/sessions', 'logs', 'app/private'] as $folder) {
            @mkdir("$storage/$folder", 0750, true);
        }
        if (! isset(self::$handed[$storage])) {
            self::$handed[$storage] = true;
            Shell::must(['chmod', '-R', 'o-rwx', $storage], 'Closing the storage to others');
            $this->as === [] || Unprivileged::hand($storage);
        }

        return $storage;
    }

    /** @param  list<string>  $words */
    public function console(array $words): int
    {
        return Shell::run([...$this->as, PHP_BINARY, 'artisan', ...$words], $this->environment());
    }

    /** @param  list<string>  $words */
    public function must(array $words, string $what): string
    {
        return Shell::must([...$this->as, PHP_BINARY, 'artisan', ...$words], $what, $this->environment());
    }

    /** @param  list<int>  $ports */
    public function serve(Processes $processes, array $ports, string $label, int $workers): void
    {
        foreach ($ports as $port) {
            $processes->start(
                "$label-$port",
                [
                    PHP_BINARY,
                    '-d',
                    'opcache.enable_cli=1',
                    '-d',
                    'upload_max_filesize=256M',
                    '-d',
                    'post_max_size=260M',
                    '-d',
                    'variables_order=EGPCS',
                    '-d',
                    'expose_php=0',
                    '-S',
                    "127.0.0.1:$port",
                    '-t',
                    'public',
                    'launch/router.php',
                ],
                [...$this->environment(), 'PHP_CLI_SERVER_WORKERS' => (string) $workers],
                $this->as,
            );
        }
        foreach ($ports as $port) {
            $this->awaitPort($port);
            $processes->count("$label-$port");
        }
    }

    private function awaitPort(int $port): void
    {
        for ($i = 0; $i < 100; $i++) {
            $socket = @fsockopen('127.0.0.1', $port, $code, $why, 1);
            if ($socket !== false) {
                fclose($socket);

                return;
            }
            usleep(50_000);
        }
        throw new Failed("Nothing answers on port $port; see var/log.");
    }

    private function key(): string
    {
        $file = "{$this->root}/var/run/app.key";
        if (! is_file($file)) {
            @mkdir(dirname($file), 0755, true);
            file_put_contents($file, 'base64:'.base64_encode(random_bytes(32)));
            chmod($file, 0600);
        }

        return (string) file_get_contents($file);
    }
}
