<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Membership;
use App\Models\User;
use App\Models\Visitor;
use Illuminate\Console\Command;

/** The demo's people, with the passwords that its data file gives them: only those that still work are shown. */
final class Logins extends Command
{
    protected $signature = 'heronstem:logins';

    protected $description = 'List the demo\'s logins';

    public function handle(): int
    {
        $people = json_decode((string) file_get_contents(database_path('demo/people.json')), true, flags: JSON_THROW_ON_ERROR);
        foreach ($people as $person) {
            $user = User::query()->where('email', $person['email'])->with('memberships.roles')->first();
            if ($user !== null && password_verify($person['password'] ?? '', $user->password)) {
                $role = $user->memberships
                    ->flatMap(static fn (Membership $each): array => $each->roles->pluck('name')->all())
                    ->unique()
                    ->implode(', ');
                $this->line("login: {$person['email']} {$person['password']} ({$person['name']}, $role)");
            }
        }

        foreach (json_decode((string) file_get_contents(database_path('demo/visitors.json')), true, flags: JSON_THROW_ON_ERROR) as $person) {
            $visitor = Visitor::query()->where('email', $person['email'])->first();
            if ($visitor !== null && password_verify($person['password'], $visitor->password)) {
                $this->line("at the site: {$person['email']} {$person['password']} ({$person['name']}, ".implode(', ', $visitor->roles).')');
            }
        }

        return self::SUCCESS;
    }
}
