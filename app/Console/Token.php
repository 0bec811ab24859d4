<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\User;
use Illuminate\Console\Command;

final class Token extends Command
{
    protected $signature = 'heronstem:token {--user= : mail address} {--name=command line : what it is for}';

    protected $description = 'Make a personal API token; it is shown once';

    public function handle(): int
    {
        $mail = (string) $this->option('user');
        $user = User::query()->where('email', strtolower($mail))->first();
        if ($user === null) {
            $this->error($mail === '' ? 'Say for whom: --user MAIL.' : "Nobody here has the mail address $mail.");

            return self::FAILURE;
        }
        $this->line($user->createToken((string) $this->option('name'))->plainTextToken);

        return self::SUCCESS;
    }
}
