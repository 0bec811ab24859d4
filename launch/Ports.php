<?php

declare(strict_types=1);

namespace Launch;

final class Ports
{
    /** The first free port from here on, on loopback. */
    public static function free(int $from): int
    {
        for ($port = $from; $port < $from + 200; $port++) {
            $socket = @stream_socket_server("tcp://127.0.0.1:$port");
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }
        throw new Failed("No free port from $from on.");
    }
}
