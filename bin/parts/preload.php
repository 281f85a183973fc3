<?php

// Loads, once for all php-fpm workers, the framework classes that every request needs (opcache.preload). Only classes of packages: the application's own are read again when they change.

use Illuminate\Contracts\Http\Kernel;

require __DIR__.'/../../vendor/autoload.php';
$kernel = (require __DIR__.'/../../bootstrap/app.php')->make(Kernel::class);
foreach ([
    Illuminate\Auth\Access\Gate::class, Illuminate\Auth\EloquentUserProvider::class, Illuminate\Auth\SessionGuard::class, Illuminate\Cache\FileStore::class, Illuminate\Cache\RateLimiter::class, Illuminate\Cache\Repository::class,
    Illuminate\Config\Repository::class, Illuminate\Cookie\CookieJar::class, Illuminate\Cookie\Middleware\EncryptCookies::class, Illuminate\Database\Concerns\BuildsQueries::class, Illuminate\Database\Connectors\MariaDbConnector::class,
    Illuminate\Database\DatabaseManager::class, Illuminate\Database\DatabaseTransactionsManager::class, Illuminate\Database\Eloquent\Builder::class, Illuminate\Database\Eloquent\Collection::class, Illuminate\Database\Eloquent\Model::class,
    Illuminate\Database\Eloquent\Relations\BelongsTo::class, Illuminate\Database\Eloquent\Relations\HasMany::class, Illuminate\Database\MariaDbConnection::class, Illuminate\Database\Query\Builder::class,
    Illuminate\Database\Query\Grammars\MariaDbGrammar::class, Illuminate\Database\Query\Processors\MariaDbProcessor::class, Illuminate\Encryption\Encrypter::class, Illuminate\Events\Dispatcher::class, Illuminate\Filesystem\Filesystem::class,
    Illuminate\Foundation\Application::class, Illuminate\Foundation\Bootstrap\LoadConfiguration::class, Illuminate\Foundation\Http\FormRequest::class, Illuminate\Foundation\Http\Kernel::class, Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
    Illuminate\Http\JsonResponse::class, Illuminate\Http\Request::class, Illuminate\Http\Resources\Json\JsonResource::class, Illuminate\Log\LogManager::class, Illuminate\Pipeline\Pipeline::class, Illuminate\Routing\CompiledRouteCollection::class,
    Illuminate\Routing\ControllerDispatcher::class, Illuminate\Routing\Middleware\SubstituteBindings::class, Illuminate\Routing\Middleware\ThrottleRequests::class, Illuminate\Routing\ResourceRegistrar::class, Illuminate\Routing\Router::class,
    Illuminate\Session\DatabaseSessionHandler::class, Illuminate\Session\Middleware\StartSession::class, Illuminate\Session\Store::class, Illuminate\Support\Carbon::class, Illuminate\Support\Collection::class, Illuminate\Support\Facades\DB::class,
    Illuminate\Support\Str::class, Illuminate\Validation\Factory::class, Illuminate\Validation\Rules\Exists::class, Illuminate\Validation\Validator::class, Illuminate\View\Factory::class, Monolog\Handler\StreamHandler::class, Monolog\Logger::class,
    Symfony\Component\HttpFoundation\BinaryFileResponse::class, Symfony\Component\HttpFoundation\StreamedResponse::class, Symfony\Component\HttpKernel\Exception\HttpException::class,
] as $class) {
    class_exists($class) || trait_exists($class);
}
