<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Names that people read in the API and in the database: what was a riddle gets the usual word. */
return new class extends Migration
{
    private const KINDS = [
        'leave-out' => 'leave-out-of-addresses', 'take-in' => 'include-in-addresses', 'list' => 'list-page', 'unlist' => 'unlist-page', 'keep' => 'protect', 'let-go' => 'unprotect',
        'return' => 'return-to-writer', 'empty-bin' => 'delete-for-good', 'take-out-of-menu' => 'remove-from-menu', 'take-back' => 'undo', 'save-words' => 'save-content',
    ];

    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            alter table pages rename column kept to is_protected;
            alter table redirect_rules rename column reach to scope;
            alter table history rename column takes_back_id to undoes_id;
            alter table history rename column taken_back_by_id to undone_by_id;
            alter table page_words rename to page_contents;
            alter table word_revisions rename to content_versions;
            alter table unmade_pages rename column words to content;
            alter table unmade_pages rename column revisions to versions;
            update history set pages = replace(replace(pages::text, '"kept": ', '"isProtected": '), '"words": ', '"content": ')::jsonb, rules = replace(rules::text, '"reach": ', '"scope": ')::jsonb;
            update unmade_pages set record = record - 'kept' || jsonb_build_object('is_protected', coalesce(record->'kept', 'false'));
            update removed_redirects set rule = rule - 'reach' || jsonb_build_object('scope', rule->'reach');
            SQL);
        foreach (self::KINDS as $former => $kind) {
            DB::update('update history set kinds = array_replace(kinds, ?, ?), batch = replace(batch::text, ?, ?)::jsonb where ? = any(kinds)', [$former, $kind, "\"kind\": \"$former\"", "\"kind\": \"$kind\"", $former]);
        }
    }
};
