<?php

declare(strict_types=1);

namespace Launch;

/** How PHP-FPM runs the application: a fixed number of workers, code compiled once and kept, settings from the environment. */
final readonly class FpmConfig
{
    /** @param  string  $folder  of the node */
    public function __construct(
        private string $root,
        private string $folder,
        private string $socket,
        private string $log,
        private int $workers,
        private bool $preloads,
    ) {
    }

    public function text(): string
    {
        return <<<CONF
        [global]
        error_log = {$this->log}
        log_level = warning
        pid = {$this->folder}/fpm.pid
        process_control_timeout = 20s
        daemonize = no

        [heronstem]
        listen = {$this->socket}
        listen.mode = 0600
        listen.backlog = 1024
        pm = static
        pm.max_children = {$this->workers}
        pm.max_requests = 5000
        pm.status_path = /fpm-status
        request_terminate_timeout = 300s
        catch_workers_output = yes
        decorate_workers_output = no
        clear_env = no
        php_admin_value[error_log] = {$this->log}
        php_admin_flag[log_errors] = on
        php_admin_flag[display_errors] = off
        php_admin_flag[expose_php] = off
        php_admin_value[memory_limit] = 512M
        php_admin_value[upload_max_filesize] = 256M
        php_admin_value[post_max_size] = 260M
        php_admin_value[variables_order] = EGPCS

        CONF;
    }

    /** @return list<string> settings that hold for all of PHP and cannot be set for a pool */
    public function settings(): array
    {
        $settings = [
            'opcache.enable=1',
            'opcache.memory_consumption=192',
            'opcache.interned_strings_buffer=24',
            'opcache.max_accelerated_files=20000',
            'opcache.validate_timestamps=1',
            'opcache.revalidate_freq=2',
            'opcache.jit=off',
            'realpath_cache_size=4096K',
            'realpath_cache_ttl=600',
            'apc.shm_size=64M',
            ...$this->preloads ? ["opcache.preload={$this->root}/launch/preload.php"] : [],
        ];

        return array_merge(...array_map(static fn (string $setting): array => ['-d', $setting], $settings));
    }
}
