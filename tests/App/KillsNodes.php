<?php

declare(strict_types=1);

namespace Tests\App;

use Symfony\Component\Process\Process;

/** Ends a node as a machine that loses its power does. */
trait KillsNodes
{
    private function killNode(Process $node, string $name): void
    {
        $known = json_decode((string) file_get_contents(dirname(__DIR__, 2)."/var/run/$name.processes.json"), true, flags: JSON_THROW_ON_ERROR);
        $node->signal(SIGKILL);
        $node->wait();
        foreach ($known as $each) {
            posix_kill(-$each['pid'], SIGKILL);
        }
    }
}
