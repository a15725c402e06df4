/** Version of the application, as the health check tells it. */
export const VERSION = '0.1.0';
