<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** All checks of a page, in the order in which findings of one weight are listed. */
final class Checks
{
    /** @return list<Check> */
    public static function all(): array
    {
        return [
            new Check\TitleEqual(),
            new Check\TitleIsHeading(),
            new Check\TitleMissing(),
            new Check\TitleTooShort(),
            new Check\TitleTooWide(),
            new Check\DescriptionEqual(),
            new Check\DescriptionFallback(),
            new Check\DescriptionMissing(),
            new Check\DescriptionTooShort(),
            new Check\DescriptionTooWide(),
            new Check\HeadingEqual(),
            new Check\HeadingMissing(),
            new Check\HeadingOrder(),
            new Check\HeadingsSeveral(),
            new Check\SlugCapital(),
            new Check\SlugLong(),
            new Check\SlugStopWords(),
            new Check\SlugUnderscore(),
            new Check\SlugUnlikeHeading(),
            new Check\AddressDeep(),
            new Check\AddressLong(),
            new Check\CanonicalBroken(),
            new Check\CanonicalChain(),
            new Check\CanonicalInSitemap(),
            new Check\CanonicalLanguage(),
            new Check\CanonicalLoop(),
            new Check\CanonicalNoindex(),
            new Check\CanonicalParameters(),
            new Check\CanonicalRedirects(),
            new Check\CanonicalSpelling(),
            new Check\FurtherAddresses(),
            new Check\RobotsBlocked(),
            new Check\RobotsContradiction(),
            new Check\SitemapLeftOut(),
            new Check\SitemapNoindex(),
            new Check\Orphan(),
            new Check\TooDeep(),
            new Check\NoLinksOut(),
            new Check\LinkBroken(),
            new Check\LinkRaw(),
            new Check\LinkRedirects(),
            new Check\OutsideLinkBroken(),
            new Check\OutsideLinkMoved(),
            new Check\PictureOversized(),
            new Check\PictureWithoutText(),
            new Check\ThinContent(),
            new Check\NearEqualContent(),
            new Check\HardToRead(),
            new Check\SocialPictureMissing(),
            new Check\SocialPictureSmall(),
            new Check\LanguageMissing(),
            new Check\InsecureLinks(),
            new Check\ScheduleEnded(),
            new Check\LiveUnderDraft(),
            new Check\NoindexInMenu(),
            new Check\PhraseAtStart(),
            new Check\PhraseInDescription(),
            new Check\PhraseInHeading(),
            new Check\PhraseInPicture(),
            new Check\PhraseInSlug(),
            new Check\PhraseInTitle(),
            new Check\PhraseStuffed(),
            new Check\PhraseTaken(),
        ];
    }

    /** @return array<string, CheckInfo> by code */
    public static function infos(): array
    {
        return array_column(array_map(static fn (Check $check): CheckInfo => $check->info(), self::all()), null, 'code');
    }
}
