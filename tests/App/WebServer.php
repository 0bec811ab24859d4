<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Assert;

/** A real web server on loopback, with redirects as its only configuration: whatever they leave is answered with 404. */
final class WebServer
{
    private string $folder;

    private int $port;

    private int $securePort = 0;

    /** @var resource|null */
    private $process = null;

    private function __construct()
    {
        $this->folder = sys_get_temp_dir().'/heronstem-server-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        chmod($this->folder, 0755); // the server serves as nobody, and the tests may run under any umask
        $this->port = self::freePort();
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        Assert::assertIsResource($socket);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);

        return $port;
    }

    public static function nginx(string $maps, string $server): self
    {
        $self = new self();
        $folder = $self->folder;
        file_put_contents("$folder/maps.conf", $maps);
        file_put_contents("$folder/server.conf", $server);
        file_put_contents(
            "$folder/nginx.conf",
            "daemon off;\nworker_processes 1;\npid $folder/pid;\nerror_log $folder/error.log;\nevents { worker_connections 64; }\nhttp { access_log off; client_body_temp_path $folder/a; proxy_temp_path $folder/b; fastcgi_temp_path $folder/c; uwsgi_temp_path $folder/d; scgi_temp_path $folder/e;\n include $folder/maps.conf;\n server { listen 127.0.0.1:{$self->port}; keepalive_requests 100000; include $folder/server.conf; location / { return 404; } } }\n",
        );
        $self->start([is_executable('/usr/sbin/nginx') ? '/usr/sbin/nginx' : 'nginx', '-c', "$folder/nginx.conf", '-e', "$folder/error.log"]);

        return $self;
    }

    /** In front of a server, as it stands in front of a site: it ends https with a certificate of its own, and passes http on as it comes. */
    public static function inFrontOf(string $backend): self
    {
        $self = new self();
        $folder = $self->folder;
        $self->securePort = self::freePort();
        $self->certify();
        $temporary = "client_body_temp_path $folder/a; proxy_temp_path $folder/b; fastcgi_temp_path $folder/c; uwsgi_temp_path $folder/d; scgi_temp_path $folder/e;";
        $passed = "proxy_pass $backend; proxy_set_header Host 127.0.0.1:{$self->securePort};";
        $secure = "listen 127.0.0.1:{$self->securePort} ssl; ssl_certificate $folder/certificate.pem; ssl_certificate_key $folder/key.pem;";
        file_put_contents(
            "$folder/nginx.conf",
            "daemon off;\nworker_processes 1;\npid $folder/pid;\nerror_log $folder/error.log;\nevents { worker_connections 64; }\nhttp { access_log off; $temporary\n server { listen 127.0.0.1:{$self->port}; location / { $passed } }\n server { $secure location / { $passed proxy_set_header X-Forwarded-Proto https; proxy_set_header X-Forwarded-For \$remote_addr; } } }\n",
        );
        $self->start([is_executable('/usr/sbin/nginx') ? '/usr/sbin/nginx' : 'nginx', '-c', "$folder/nginx.conf", '-e', "$folder/error.log"]);

        return $self;
    }

    private function certify(): void
    {
        file_put_contents(
            "{$this->folder}/openssl.cnf",
            "[req]\ndistinguished_name = name\n[name]\n[site]\nsubjectAltName = IP:127.0.0.1\nbasicConstraints = critical, CA:TRUE\n",
        );
        $settings = ['config' => "{$this->folder}/openssl.cnf", 'x509_extensions' => 'site', 'digest_alg' => 'sha256', 'private_key_bits' => 2048];
        $key = openssl_pkey_new($settings);
        Assert::assertInstanceOf(\OpenSSLAsymmetricKey::class, $key);
        $request = openssl_csr_new(['commonName' => '127.0.0.1'], $key, $settings);
        Assert::assertInstanceOf(\OpenSSLCertificateSigningRequest::class, $request);
        $certificate = openssl_csr_sign($request, null, $key, 2, $settings);
        Assert::assertInstanceOf(\OpenSSLCertificate::class, $certificate);
        openssl_x509_export_to_file($certificate, $this->certificate());
        openssl_pkey_export_to_file($key, "{$this->folder}/key.pem", null, $settings);
    }

    public function certificate(): string
    {
        return "{$this->folder}/certificate.pem";
    }

    public function secureOrigin(): string
    {
        return "https://127.0.0.1:{$this->securePort}";
    }

    /** @param  \Closure(string): string  $rules  given where the table is */
    public static function apache(string $map, \Closure $rules): self
    {
        $self = new self();
        $folder = $self->folder;
        file_put_contents("$folder/redirects.map", $map);
        file_put_contents("$folder/rules.conf", $rules("$folder/redirects.map"));
        mkdir("$folder/root");
        chmod("$folder/root", 0755);
        chmod("$folder/redirects.map", 0644);
        $modules = implode(
            '',
            array_map(static fn (string $module): string => "LoadModule {$module}_module /usr/lib/apache2/modules/mod_$module.so\n", [
                'mpm_event',
                'authz_core',
                'rewrite',
            ]),
        );
        file_put_contents(
            "$folder/apache.conf",
            "{$modules}ServerRoot $folder\nServerName 127.0.0.1\nPidFile $folder/pid\nDefaultRuntimeDir $folder\nUser nobody\nGroup nogroup\nErrorLog $folder/error.log\nStartServers 1\nMaxKeepAliveRequests 0\nListen 127.0.0.1:{$self->port}\nDocumentRoot $folder/root\n<Directory $folder/root>\nRequire all granted\n</Directory>\nInclude $folder/rules.conf\n",
        );
        $self->start([is_executable('/usr/sbin/apache2') ? '/usr/sbin/apache2' : 'apache2', '-f', "$folder/apache.conf", '-D', 'FOREGROUND']);

        return $self;
    }

    /**
     * @param  list<string>  $asked
     * @return array<string, array{int, string}> status and location by what was asked; its own host dropped
     */
    public function answers(array $asked): array
    {
        $curl = curl_init();
        $answers = [];
        foreach ($asked as $address) {
            curl_setopt_array($curl, [
                CURLOPT_URL => "http://127.0.0.1:{$this->port}".str_replace(' ', '%20', $address),
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_HEADER => true,
                CURLOPT_FOLLOWLOCATION => false,
                CURLOPT_PATH_AS_IS => true,
            ]);
            $head = (string) curl_exec($curl);
            $location = preg_match('/^Location: ?(.*?)\r?$/mi', $head, $found) === 1 ? $found[1] : '';
            $answers[$address] = [
                (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE),
                (string) preg_replace("#^http://127\\.0\\.0\\.1(?::{$this->port})?(?=/)#", '', $location),
            ];
        }

        return $answers;
    }

    public function origin(): string
    {
        return "http://127.0.0.1:{$this->port}";
    }

    public function stop(): void
    {
        if (is_resource($this->process)) {
            proc_terminate($this->process);
            proc_close($this->process);
        }
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @param  list<string>  $command */
    private function start(array $command): void
    {
        $this->process = proc_open($command, [1 => ['file', "{$this->folder}/out", 'w'], 2 => ['file', "{$this->folder}/out", 'a']], $pipes) ?: null;
        Assert::assertIsResource($this->process);
        for ($tries = 0; $tries < 100 && @fsockopen('127.0.0.1', $this->port) === false; $tries++) {
            usleep(50_000);
        }
        if (! proc_get_status($this->process)['running']) {
            $said = file_get_contents("{$this->folder}/out").@file_get_contents("{$this->folder}/error.log");
            $line =
                preg_match('~(?:line (\d+) of (\S+?):|in (\S+):(\d+))~', $said, $at) === 1
                    ? file($at[2] ?: $at[3])[(int) ($at[1] ?: $at[4]) - 1] ?? ''
                    : '';
            $said .= mb_substr($line, 0, 600);
            $this->stop();
            Assert::fail("The web server did not start: $said");
        }
    }
}
