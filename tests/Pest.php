<?php

declare(strict_types=1);

use Tests\AppTestCase;

pest()->extend(AppTestCase::class)->in('App');
