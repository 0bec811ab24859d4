<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Another mail address holds once whoever reads it has said so. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table users add column email_wanted text;
            alter table account_links drop constraint account_links_purpose_check,
                add constraint account_links_purpose_check check (purpose in ('invitation', 'password', 'mail'));
            SQL
            ,
        );
    }
};
