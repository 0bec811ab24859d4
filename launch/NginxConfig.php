<?php

declare(strict_types=1);

namespace Launch;

/**
 * How nginx stands in front: files that ship are sent as they are, pages that were rendered before are found without starting PHP,
 * everything else is PHP's. Written for one node, over loopback.
 */
final readonly class NginxConfig
{
    private const BROTLI = '/usr/lib/nginx/modules/ngx_http_brotli_static_module.so';

    /** Cookies of visitors whose pages are their own. */
    private const PERSONAL = ['heronstem_visitor', 'heronstem_opened', 'heronstem_plan'];

    /**
     * @param  string  $public  the folder of files that ship
     * @param  string  $folder  of the node: its sockets, its cache, its temporary files
     * @param  list<int>  $ports
     * @param  list<string>  $proxies  in front, whose X-Forwarded-For is believed
     * @param  bool  $asRoot  where root runs everything
     * @param  int|null  $watch  the port for those who watch
     * @param  array{string, string}|null  $certificate  and its key, for https
     */
    public function __construct(
        private string $public,
        private string $folder,
        private string $socket,
        private array $ports,
        private string $bind,
        private array $proxies,
        private bool $asRoot,
        private ?int $watch = null,
        private ?array $certificate = null,
        private int $securePort = 443,
    ) {
    }

    public function text(): string
    {
        $brotli = is_file(self::BROTLI);
        // Its workers are who everything else is, so that they share files and sockets.
        $user = posix_geteuid() === 0 && $this->asRoot ? "user root;\n" : '';
        $load = $brotli ? 'load_module '.self::BROTLI.";\n" : '';
        $compressed = 'gzip_static on;'.($brotli ? ' brotli_static on;' : '');
        $listen = implode("\n        ", array_map(fn (int $port): string => "listen {$this->bind}:$port;", $this->ports));
        $watch = $this->watch === null ? '' : $this->watching($this->watch);
        $personal = implode('', array_map(static fn (string $name): string => '$cookie_'.$name, self::PERSONAL));
        if ($this->certificate !== null) {
            [$certificate, $key] = $this->certificate;
            $listen .= "\n        listen {$this->bind}:{$this->securePort} ssl http2;\n        ssl_certificate $certificate;\n        ssl_certificate_key $key;\n        ssl_protocols TLSv1.2 TLSv1.3;\n        ssl_session_cache shared:tls:8m;";
        }
        $parameters = $this->parameters();
        $proxies = implode(' ', array_map(static fn (string $proxy): string => "proxy $proxy;", $this->proxies));

        return <<<CONF
        {$load}{$user}worker_processes auto;
        pid {$this->folder}/nginx.pid;
        error_log stderr warn;
        events {
            worker_connections 4096;
        }
        http {
            types {
                text/css css;
                text/javascript js;
                application/json json;
                image/svg+xml svg;
                image/png png;
                font/woff2 woff2;
            }
            default_type application/octet-stream;
            charset utf-8;
            charset_types text/css text/javascript application/json image/svg+xml;
            server_tokens off;
            access_log off;
            sendfile on;
            tcp_nopush on;
            keepalive_timeout 30s;
            keepalive_requests 10000;
            open_file_cache max=4000 inactive=30s;
            open_file_cache_valid 1s;
            client_max_body_size 260m;
            client_body_temp_path {$this->folder}/body;
            fastcgi_temp_path {$this->folder}/fastcgi;
            proxy_temp_path {$this->folder}/proxy;
            uwsgi_temp_path {$this->folder}/uwsgi;
            scgi_temp_path {$this->folder}/scgi;
            large_client_header_buffers 8 32k;
            fastcgi_buffers 64 16k;
            fastcgi_buffer_size 16k;
            fastcgi_read_timeout 300s;
            # Answers for people are compressed on their way; pages are compressed once, when they are rendered.
            gzip on;
            gzip_vary on;
            gzip_proxied any;
            gzip_comp_level 4;
            gzip_min_length 600;
            gzip_types application/json application/problem+json text/plain text/css text/javascript image/svg+xml application/xml text/csv;
            gunzip on;
            map "{$personal}\$http_authorization" \$personal { "" 0; default 1; }
            # Whoever comes from a network that sees more than others is not shown what others see.
            geo \$insider { default 0; {$proxies} include {$this->folder}/networks.conf; }
            map \$http_x_forwarded_proto \$forwarded { https s; default ""; }
            # Of a page there is one copy for HEAD and GET.
            map \$request_method \$asked_method { HEAD GET; default \$request_method; }
            fastcgi_cache_path {$this->folder}/pages levels=1:2 keys_zone=pages:16m max_size=2g inactive=7d use_temp_path=off;
            fastcgi_cache_key \$scheme\$forwarded://\$host:\$server_port\$request_uri;
            # What is no page may be a file with an address in the tree: whoever has it asks whether it is still the same.
            map \$uri \$if_other { "~*\.(?!html?\$)[a-z0-9]{2,5}\$" \$http_if_none_match; default ""; }
            # What is kept is the answer to another request than this one, and nothing is logged of it.
            map \$upstream_cache_status \$told_id { HIT ""; default \$request_id; }
            upstream php {
                server unix:{$this->socket};
            }
            server {
                {$listen}
                root {$this->public};
                location ^~ /_editor/assets/ {
                    try_files \$uri /_none;
                    {$compressed}
                    add_header Cache-Control "public, max-age=31536000, immutable";
                    add_header X-Content-Type-Options nosniff;
                }
                location ~ ^/_(?:site|editor)/[A-Za-z0-9_.-]+\\.(?:css|js|svg|woff2|json|png)\$ {
                    try_files \$uri /_none;
                    {$compressed}
                    add_header Cache-Control "public, max-age=3600";
                    add_header Access-Control-Allow-Origin "*";
                    add_header X-Content-Type-Options nosniff;
                }
                # A site that is being forgotten is not read from what is kept until it is.
                set \$forgetting 0;
                if (-f {$this->folder}/forgetting/\$host:\$server_port) { set \$forgetting 1; }
                # How long an answer is kept here is told in Cache-Control, which never leaves; what visitors are told stands beside it.
                fastcgi_ignore_headers Vary Expires X-Accel-Expires;
                fastcgi_hide_header Cache-Control;
                fastcgi_hide_header X-Visitor-Cache-Control;
                add_header Cache-Control \$upstream_http_x_visitor_cache_control always;
                add_header X-Request-Id \$request_id always;
                # Files, the API and what else is the system's: asked by parts and on conditions, and kept by nobody here.
                location ~ ^/(?:_|api/) {
                    fastcgi_pass php;
                    {$parameters}
                }
                location / {
                    fastcgi_pass php;
                    {$parameters}
                    fastcgi_param HTTP_RANGE \$http_range if_not_empty;
                    fastcgi_param HTTP_IF_NONE_MATCH \$if_other if_not_empty;
                    fastcgi_cache pages;
                    fastcgi_cache_methods GET HEAD;
                    fastcgi_cache_background_update on;
                    # Who is signed in has pages of their own.
                    fastcgi_cache_bypass \$personal \$insider \$forgetting;
                    fastcgi_no_cache \$personal \$insider \$forgetting;
                    add_header Cache-Control \$upstream_http_x_visitor_cache_control always;
                    add_header X-Request-Id \$told_id always;
                    add_header X-Page-Cache \$upstream_cache_status always;
                }
            }
            {$watch}
        }

        CONF;
    }

    private function watching(int $port): string
    {
        return <<<CONF
        server {
                listen 127.0.0.1:$port;
                location / {
                    fastcgi_pass php;
                    set \$forgetting 0;
                    {$this->parameters()}
                    fastcgi_param WATCH 1;
                }
            }
        CONF;
    }

    private function parameters(): string
    {
        $values = [
            'SCRIPT_FILENAME' => "{$this->public}/index.php",
            'SCRIPT_NAME' => '/index.php',
            'DOCUMENT_ROOT' => $this->public,
            'REQUEST_METHOD' => '$asked_method',
            'REQUEST_URI' => '$request_uri',
            'QUERY_STRING' => '$query_string',
            'CONTENT_TYPE' => '$content_type',
            'CONTENT_LENGTH' => '$content_length',
            'SERVER_PROTOCOL' => '$server_protocol',
            'REQUEST_SCHEME' => '$scheme',
            'HTTPS' => '$https if_not_empty',
            'GATEWAY_INTERFACE' => 'CGI/1.1',
            'SERVER_SOFTWARE' => 'nginx',
            'REMOTE_ADDR' => '$remote_addr',
            'REMOTE_PORT' => '$remote_port',
            'SERVER_ADDR' => '$server_addr',
            'SERVER_PORT' => '$server_port',
            'SERVER_NAME' => '$host',
            'REDIRECT_STATUS' => '200',
            'HTTP_PROXY' => '""',
            'REQUEST_ID' => '$request_id',
            'INSIDER' => '$insider',
            'FORGETTING' => '$forgetting',
            'ASKED_AT' => '$msec',
            'PAGE_KEY' => '$scheme$forwarded://$host:$server_port$request_uri',
        ];
        $lines = array_map(static fn (string $name, string $value): string => "fastcgi_param $name $value;", array_keys($values), $values);

        return implode("\n            ", $lines);
    }
}
