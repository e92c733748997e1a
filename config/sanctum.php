<?php

declare(strict_types=1);

/* Of the package its tokens alone are used: pages sign in by the session. */
return ['stateful' => [], 'guard' => [], 'expiration' => null, 'token_prefix' => 'hc_', 'routes' => false, 'middleware' => []];
