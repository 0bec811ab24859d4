<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Words that say nothing of what a page is about, by language; none for a language that is not known here. */
final class StopWords
{
    private const WORDS = [
        'en' => ['a', 'an', 'and', 'are', 'as', 'at', 'be', 'by', 'for', 'from', 'in', 'is', 'it', 'of', 'on', 'or', 'that', 'the', 'this', 'to', 'was', 'with', 'your'],
        'de' => ['am', 'an', 'auf', 'bei', 'das', 'dem', 'den', 'der', 'des', 'die', 'ein', 'eine', 'für', 'im', 'in', 'ist', 'mit', 'oder', 'und', 'von', 'zu', 'zum', 'zur'],
        'fr' => ['a', 'au', 'aux', 'avec', 'dans', 'de', 'des', 'du', 'en', 'est', 'et', 'la', 'le', 'les', 'ou', 'par', 'pour', 'sur', 'un', 'une'],
        'es' => ['a', 'al', 'con', 'de', 'del', 'el', 'en', 'es', 'la', 'las', 'los', 'o', 'para', 'por', 'un', 'una', 'y'],
        'it' => ['a', 'al', 'con', 'da', 'dei', 'del', 'della', 'di', 'e', 'gli', 'i', 'il', 'in', 'la', 'le', 'lo', 'o', 'per', 'un', 'una'],
        'nl' => ['aan', 'bij', 'de', 'een', 'en', 'het', 'in', 'is', 'met', 'naar', 'of', 'op', 'te', 'van', 'voor'],
        'da' => ['af', 'at', 'de', 'den', 'det', 'en', 'er', 'et', 'for', 'i', 'med', 'og', 'på', 'som', 'til'],
    ];

    /** @return list<string> */
    public static function of(string $language): array
    {
        return self::WORDS[strtolower((string) strtok($language, '-_'))] ?? [];
    }
}
