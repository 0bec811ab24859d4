<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

/** What those get who may not see a page. */
enum Others: string
{
    /** The form to sign in, and from there back to the page. */
    case SignIn = 'sign-in';
    /** The form for the page's password. */
    case Password = 'password';
    /** A page that says that it is closed, with status 403. */
    case Refused = 'refused';
    /** The same as where nothing is, with status 404: nobody learns that there is a page. */
    case Missing = 'missing';
}
