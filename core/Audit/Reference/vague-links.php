<?php

declare(strict_types=1);

// Texts of links that do not say where they lead (WCAG 2.2, 2.4.9), by language; compared without case and outer signs.
return [
    'en' => [
        'click here',
        'click',
        'here',
        'read more',
        'more',
        'learn more',
        'find out more',
        'link',
        'this link',
        'this',
        'this page',
        'page',
        'see here',
        'details',
        'continue',
    ],
    'de' => [
        'hier',
        'hier klicken',
        'klicken sie hier',
        'klick hier',
        'mehr',
        'weiterlesen',
        'mehr erfahren',
        'mehr lesen',
        'link',
        'dieser link',
        'diese seite',
        'weiter',
        'details',
    ],
    'fr' => ['ici', 'cliquez ici', 'cliquer ici', 'lire la suite', 'plus', 'en savoir plus', 'lien', 'ce lien', 'cette page', 'suite'],
    'es' => ['aquí', 'haga clic aquí', 'haz clic aquí', 'leer más', 'más', 'más información', 'enlace', 'esta página', 'ver más'],
    'it' => ['qui', 'clicca qui', 'leggi di più', 'di più', 'scopri di più', 'link', 'questa pagina', 'continua'],
    'nl' => ['hier', 'klik hier', 'lees meer', 'meer', 'meer weten', 'link', 'deze pagina', 'verder'],
    'da' => ['her', 'klik her', 'læs mere', 'mere', 'link', 'denne side'],
    'nb' => ['her', 'klikk her', 'les mer', 'mer', 'lenke', 'denne siden'],
    'sv' => ['här', 'klicka här', 'läs mer', 'mer', 'länk', 'den här sidan'],
];
