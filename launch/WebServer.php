<?php

declare(strict_types=1);

namespace Launch;

/** nginx and PHP-FPM from Debian's packages, with a configuration of their own in a folder of their own. */
final readonly class WebServer
{
    private string $folder;

    private string $socket;

    /** @param  string  $name  of the node */
    public function __construct(private string $root, private string $name, private Application $application)
    {
        $this->folder = $this->application->folder();
        // Paths of sockets are short (sun_path, 108 bytes), however deep the folder lies.
        $this->socket = sys_get_temp_dir().'/heronstem-'.substr(sha1("$root $name"), 0, 16).'.sock';
    }

    public static function fpm(): ?string
    {
        $found = glob('/usr/sbin/php-fpm'.PHP_MAJOR_VERSION.'.'.PHP_MINOR_VERSION) ?: [];

        return $found[0] ?? null;
    }

    public static function nginx(): ?string
    {
        return is_file('/usr/sbin/nginx') ? '/usr/sbin/nginx' : null;
    }

    /** @return array{string, string} labels of what it starts for a node */
    public static function labels(string $node): array
    {
        return ["php-$node", "nginx-$node"];
    }

    /** @param  list<int>  $ports */
    public function start(Processes $processes, array $ports, int $workers, ?int $watch = null, ?Settings $settings = null): void
    {
        $this->prepare();
        @unlink($this->socket);
        $fpm = new FpmConfig(
            $this->root,
            $this->folder,
            $this->socket,
            "{$this->application->storage()}/logs/php-{$this->name}.log",
            $workers,
            $this->application->as !== [] || posix_geteuid() !== 0,
        );
        $this->write('fpm.conf', $fpm->text());
        $nginx = new NginxConfig(
            "{$this->root}/public",
            $this->folder,
            $this->socket,
            $ports,
            $settings->values['HERONSTEM_BIND'] ?? '127.0.0.1',
            self::proxies($this->application),
            $this->application->as === [],
            $watch,
            $settings?->certificate(),
            $settings?->number('HERONSTEM_HTTPS_PORT') ?? 443,
        );
        $this->write('nginx.conf', $nginx->text());
        $this->application->must(['heronstem:forget', '--begin'], 'Beginning with an empty cache of pages');
        $asRoot = posix_geteuid() === 0 && $this->application->as === [] ? ['--allow-to-run-as-root'] : [];
        [$php, $nginx] = self::labels($this->name);
        $processes->start(
            $php,
            [(string) self::fpm(), '--nodaemonize', '--fpm-config', "{$this->folder}/fpm.conf", ...$fpm->settings(), ...$asRoot],
            $this->application->served(),
            $this->application->as,
            "{$this->folder}/fpm.conf",
        );
        $this->await(fn (): bool => file_exists($this->socket), 'PHP-FPM does not start; see var/log.');
        $processes->start(
            $nginx,
            [(string) self::nginx(), '-p', $this->folder, '-c', "{$this->folder}/nginx.conf", '-e', 'stderr', '-g', 'daemon off;'],
            [],
            $this->application->as,
        );
        foreach ($ports as $port) {
            $this->await(static fn (): bool => self::answers($port), "Nothing answers on port $port; see var/log.");
        }
    }

    /** A node begins with an empty cache: what was kept may be of another day. */
    private function prepare(): void
    {
        Shell::must(['rm', '-rf', $this->folder], 'Clearing the cache of pages');
        $this->application->storage();
        foreach (['', '/body', '/fastcgi', '/proxy', '/uwsgi', '/scgi', '/pages', '/forgetting', '/missed', '/rendering'] as $part) {
            mkdir($this->folder.$part, 0750);
        }
        file_put_contents("{$this->folder}/networks.conf", '');
        if ($this->application->as !== []) {
            Unprivileged::hand($this->folder);
        }
    }

    /** @return list<string> whose word about where a request came from is taken */
    private static function proxies(Application $application): array
    {
        $named = array_filter(
            array_map(
                trim(...),
                explode(',', $application->environment()['HERONSTEM_TRUSTED_PROXIES'] ?? (string) getenv('HERONSTEM_TRUSTED_PROXIES')),
            ),
        );

        return $named === ['*'] ? ['0.0.0.0/0', '::/0'] : array_values($named);
    }

    private function write(string $name, string $text): void
    {
        file_put_contents("{$this->folder}/$name", $text);
        chmod("{$this->folder}/$name", 0644);
    }

    /** @param  \Closure(): bool  $isThere */
    private function await(\Closure $isThere, string $otherwise): void
    {
        for ($i = 0; $i < 600; $i++) {
            clearstatcache();
            if ($isThere()) {
                return;
            }
            usleep(50_000);
        }
        throw new Failed($otherwise);
    }

    private static function answers(int $port): bool
    {
        $socket = @fsockopen('127.0.0.1', $port, $code, $why, 1);
        if ($socket !== false) {
            fclose($socket);
        }

        return $socket !== false;
    }
}
