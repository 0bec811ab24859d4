<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

/** What a column of a table of pages says. Besides there are `fields.` and a key, for the fields of layouts. */
enum PageColumn: string
{
    case Nothing = '';
    case Id = 'id';
    case Address = 'address';
    case Parent = 'parent';
    case Name = 'name';
    case Level = 'level';
    case Heading = 'heading';
    case Slug = 'slug';
    case Kind = 'kind';
    case LeadsTo = 'leads to';
    case Layout = 'layout';
    case State = 'state';
    case Listed = 'listed';
    case Tags = 'tags';
    case Summary = 'summary';
    case Title = 'title';
    case Description = 'description';
    case SocialTitle = 'social title';
    case SocialDescription = 'social description';
    case Canonical = 'canonical';
    case Index = 'index';
    case Follow = 'follow';
    case Phrase = 'target phrase';
    case Markdown = 'markdown';
    case Html = 'html';
    case From = 'from';
    case Until = 'until';
    case Former = 'former addresses';
    case Requests = 'requests';

    /** As people head their columns, besides the words above. */
    private const WORDS = [
        'page id' => self::Id,
        'identity' => self::Id,
        'ulid' => self::Id,
        'url' => self::Address,
        'path' => self::Address,
        'link' => self::Address,
        'permalink' => self::Address,
        'loc' => self::Address,
        'page url' => self::Address,
        'page address' => self::Address,
        'parent page' => self::Parent,
        'parent address' => self::Parent,
        'parent id' => self::Parent,
        'under' => self::Parent,
        'page' => self::Name,
        'page name' => self::Name,
        'label' => self::Name,
        'menu name' => self::Name,
        'navigation title' => self::Name,
        'short name' => self::Name,
        'h1' => self::Heading,
        'headline' => self::Heading,
        'url slug' => self::Slug,
        'type' => self::Kind,
        'template' => self::Layout,
        'status' => self::State,
        'in menus' => self::Listed,
        'keywords' => self::Tags,
        'tag' => self::Tags,
        'excerpt' => self::Summary,
        'teaser' => self::Summary,
        'abstract' => self::Summary,
        'search title' => self::Title,
        'title tag' => self::Title,
        'page title' => self::Title,
        'meta title' => self::Title,
        'seo title' => self::Title,
        'meta description' => self::Description,
        'search description' => self::Description,
        'canonical address' => self::Canonical,
        'canonical url' => self::Canonical,
        'indexed' => self::Index,
        'content' => self::Markdown,
        'words' => self::Markdown,
        'text' => self::Markdown,
        'body' => self::Markdown,
        'content html' => self::Html,
        'goes live' => self::From,
        'publish date' => self::From,
        'valid from' => self::From,
        'valid until' => self::Until,
        'expires' => self::Until,
        'former address' => self::Former,
        'old address' => self::Former,
        'old addresses' => self::Former,
        'old url' => self::Former,
        'old urls' => self::Former,
        'redirects from' => self::Former,
        'aliases' => self::Former,
        'hits' => self::Requests,
        'visits' => self::Requests,
        'views' => self::Requests,
    ];

    /** What the head of a column means: one of these, or `fields.` and a key. */
    public static function headed(string $head): self|string
    {
        $head = trim($head);
        if (preg_match('/^fields\.[A-Za-z0-9]+$/D', $head) === 1) {
            return $head;
        }
        $words = trim(strtolower((string) preg_replace(['/(?<=[a-z])(?=[A-Z])/', '/[_\-\s]+/'], ' ', $head)));

        return match (true) {
            preg_match('/^level ?\d+$/', $words) === 1 => self::Level,
            $words === '' => self::Nothing,
            default => self::tryFrom($words) ?? (self::WORDS[$words] ?? self::Nothing),
        };
    }
}
