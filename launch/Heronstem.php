<?php

declare(strict_types=1);

namespace Launch;

/** Reads the command line and hands over to one command. */
final class Heronstem
{
    private const COMMANDS = [
        'demo' => 'Start the editor and the demo sites.  --port N  --fresh  --detach  --pages N',
        'serve' => 'Serve for real, with settings from the environment.  --key makes a key  --unit writes a unit for systemd',
        'doctor' => 'Look at everything that is needed, and say what is wrong and how to mend it.',
        'stop' => 'Stop a demo that was started with --detach.',
        'test' => 'Install what is needed, run every check and every test.',
        'make-site' => 'Make a site, with its first owner.  KEY  --name …  --origin …  --owner MAIL',
        'may' => 'Say whether somebody may do something on a page.  MAIL RIGHT [ADDRESS]  --site KEY',
        'explain' => 'Say how an address is answered.  ADDRESS… | -   --site KEY  --json',
        'import' => 'Import pages into a site.  FILE | FOLDER  --site KEY  --dry-run  --as draft | live | given  --json',
        'export' => 'Write a site as a file: site-json | site-csv | site-xlsx | site-html | markdown | opml | sitemap; its redirects: csv | jsonl | nginx-maps | nginx-server | apache-map | apache-rules  --site KEY  --branch ADDRESS',
        'audit' => 'List what keeps pages from being found.  --site KEY  --json  --fail-on error | warning | notice',
        'backup' => 'Back up database and files as of one moment.  FILE | FOLDER  --key-file FILE  --keep-all',
        'restore' => 'Restore a backup beside what is in use, look it through, and use it.  FILE  --key-file FILE  --database NAME  --switch',
        'check' => 'Check the invariants of the stored sites.  --site KEY  --json',
        'token' => 'Make a personal API token.  --user MAIL  --name WHAT-FOR',
        'bench' => 'Measure against a baseline in the same run.  address-lookup | outline-open',
        'pictures' => 'Take the pictures of the documentation anew.',
        'artisan' => 'Run any command of the framework against the demo\'s database.',
        'help' => 'List the commands.',
    ];

    public function __construct(private readonly string $root)
    {
    }

    /** @param  list<string>  $words */
    public function run(array $words): int
    {
        chdir($this->root);
        $command = array_shift($words) ?? 'help';
        try {
            return match ($command) {
                'demo' => (new Demo($this->root))->start($words),
                'stop' => (new Demo($this->root))->stop(),
                'serve' => (new Serve($this->root))->run($words),
                'doctor' => (new Doctor($this->root))->look(),
                'watch' => (new Demo($this->root))->watch(),
                'test' => (new Test($this->root))->run($words),
                'audit', 'backup', 'explain', 'export', 'import', 'check', 'make-site', 'may', 'restore', 'token' => (new Demo($this->root))->console(
                    ["heronstem:$command", ...$words],
                ),
                'artisan' => $this->console($words),
                'bench' => (new Workbench($this->root))->measure($words),
                'pictures' => (new Workbench($this->root))->takePictures(),
                'help', '--help', '-h' => $this->help(),
                default => $this->unknown($command),
            };
        } catch (Failed $failed) {
            Say::error($failed->getMessage());

            return 1;
        }
    }

    /**
     * Over what is served for real, where the environment says so, else over the demo.
     *
     * @param  list<string>  $words
     */
    private function console(array $words): int
    {
        return (Serve::isMeant() ? new Serve($this->root) : new Demo($this->root))->console($words);
    }

    private function help(): int
    {
        Say::line("Heronstem keeps a site's pages, addresses and menus in order.\n\nUse: ./heronstem COMMAND\n");
        foreach (self::COMMANDS as $name => $what) {
            Say::line(sprintf('  %-9s %s', $name, $what));
        }

        return 0;
    }

    private function unknown(string $command): int
    {
        $near = array_filter(
            array_keys(self::COMMANDS),
            static fn (string $name): bool => levenshtein($name, $command) <= 2 || str_starts_with($name, $command),
        );
        Say::error(
            "There is no command \"$command\".".
                ($near === [] ? '' : ' Did you mean '.implode(' or ', $near).'?').
                ' ./heronstem help lists them all.',
        );

        return 2;
    }
}
