<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Assert;

/** A stand-in of simulators/ at work on loopback, ended with the test. */
final class StandIn
{
    public readonly string $url;

    /** @var resource */
    private $process;

    /** @param  array<string, string>  $environment */
    public function __construct(string $script, array $environment = [])
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        Assert::assertIsResource($socket);
        $at = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        $process = proc_open(
            [PHP_BINARY, '-S', $at, dirname(__DIR__, 2)."/simulators/$script.php"],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            [...getenv(), ...$environment],
        );
        Assert::assertIsResource($process);
        $this->process = $process;
        $this->url = "http://$at";
        // It answers as soon as it listens; connecting waits for nothing else.
        while (proc_get_status($process)['running'] && ($found = @stream_socket_client("tcp://$at", $code, $why, 5)) === false) {
            usleep(10_000);
        }
        Assert::assertIsResource($found ?? null, "The stand-in $script did not start.");
        fclose($found);
    }

    public function __destruct()
    {
        proc_terminate($this->process, 9);
        proc_close($this->process);
    }
}
