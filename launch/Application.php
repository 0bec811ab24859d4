<?php

declare(strict_types=1);

namespace Launch;

/** The application over one database: its environment, its console, its servers. */
final class Application
{
    /** What the framework keeps, by the variable that says where. */
    private const KEPT = ['APP_CONFIG_CACHE' => 'config', 'APP_ROUTES_CACHE' => 'routes', 'APP_EVENTS_CACHE' => 'events'];

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
            'HERONSTEM_NODE_FOLDER' => $this->folder(),
            'APP_ENV' => 'production',
            'APP_DEBUG' => 'false',
            'CACHE_STORE' => 'file',
            'SESSION_DRIVER' => 'database',
            'QUEUE_CONNECTION' => 'database',
            ...$this->settings,
        ];
    }

    /** Where its web server has what is its own. */
    public function folder(): string
    {
        return "{$this->root}/var/{$this->name}-storage/web";
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

    /**
     * For those who answer requests: what the framework would work out anew for each of them is kept beside.
     *
     * @return array<string, string>
     */
    public function served(): array
    {
        $kept = array_map(fn (string $name): string => "{$this->storage()}/framework/$name.php", self::KEPT);

        return [...$this->environment(), 'DB_PERSISTENT' => 'true', ...$kept];
    }

    /**
     * nginx on all these ports, and PHP behind it.
     *
     * @param  list<int>  $ports
     * @param  string  $node  whose name its processes bear
     * @param  int|null  $watch  the port for those who watch
     */
    public function serve(Processes $processes, array $ports, string $node, int $workers, ?int $watch = null, ?Settings $settings = null): void
    {
        $this->prepare();
        (new WebServer($this->root, $node, $this))->start($processes, $ports, $workers, $watch, $settings);
    }

    /** Works out once what the framework would work out for every request. */
    public function prepare(): void
    {
        foreach (['config:cache', 'route:cache', 'event:cache', 'view:cache'] as $command) {
            Shell::must([...$this->as, PHP_BINARY, 'artisan', $command], 'Preparing the application', $this->served());
        }
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
