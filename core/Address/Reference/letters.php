<?php

declare(strict_types=1);

// Letters that a language writes in ASCII in its own way, where the general table would choose another.
// Source: national conventions for names without the letters (DIN 5007-2 and passport spelling for German,
// Retskrivningsordbogen for Danish, Språkrådet for Norwegian; Vulgate for Icelandic and Faroese þ, ð).
return [
    'de' => ['ä' => 'ae', 'ö' => 'oe', 'ü' => 'ue', 'Ä' => 'Ae', 'Ö' => 'Oe', 'Ü' => 'Ue', 'ß' => 'ss', 'ẞ' => 'SS'],
    'da' => ['å' => 'aa', 'æ' => 'ae', 'ø' => 'oe', 'Å' => 'Aa', 'Æ' => 'Ae', 'Ø' => 'Oe'],
    'nb' => ['å' => 'aa', 'æ' => 'ae', 'ø' => 'oe', 'Å' => 'Aa', 'Æ' => 'Ae', 'Ø' => 'Oe'],
    'nn' => ['å' => 'aa', 'æ' => 'ae', 'ø' => 'oe', 'Å' => 'Aa', 'Æ' => 'Ae', 'Ø' => 'Oe'],
    'no' => ['å' => 'aa', 'æ' => 'ae', 'ø' => 'oe', 'Å' => 'Aa', 'Æ' => 'Ae', 'Ø' => 'Oe'],
    'tr' => [
        'ı' => 'i',
        'I' => 'i',
        'İ' => 'i',
        'ğ' => 'g',
        'Ğ' => 'g',
        'ş' => 's',
        'Ş' => 's',
        'ç' => 'c',
        'Ç' => 'c',
        'ö' => 'o',
        'Ö' => 'o',
        'ü' => 'u',
        'Ü' => 'u',
    ],
    'az' => ['ı' => 'i', 'I' => 'i', 'İ' => 'i', 'ə' => 'e', 'Ə' => 'e'],
    'is' => ['þ' => 'th', 'Þ' => 'Th', 'ð' => 'd', 'Ð' => 'D', 'æ' => 'ae', 'Æ' => 'Ae', 'ö' => 'o', 'Ö' => 'O'],
];
