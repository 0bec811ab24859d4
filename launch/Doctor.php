<?php

declare(strict_types=1);

namespace Launch;

/** Looks at everything that Heronstem needs: of the demo, or, where the environment names a database, of what is served for real. */
final readonly class Doctor
{
    public function __construct(private string $root)
    {
    }

    public function look(): int
    {
        $found = [];
        foreach ((new Packages($this->root))->missing() as $package) {
            $found[] = "The package $package is missing. Install it: apt-get install $package";
        }
        if (! is_file("{$this->root}/vendor/autoload.php")) {
            $found[] = 'The PHP packages are not installed. ./heronstem demo or ./heronstem serve does it.';
        }
        if (! is_file("{$this->root}/public/_editor/manifest.json")) {
            $found[] = 'The editor is not built. ./heronstem demo or ./heronstem serve does it.';
        }
        foreach ($found as $problem) {
            Say::line("wrong  $problem");
        }
        if ($found !== []) {
            return 1;
        }
        Say::line('ok     packages');

        return (Serve::isMeant() ? new Serve($this->root) : new Demo($this->root))->console(['heronstem:doctor']);
    }
}
