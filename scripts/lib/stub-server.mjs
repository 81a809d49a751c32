// Says that all is well: stands for the web server in tests of what starts it.
import http from 'node:http';

http.createServer((_, response) => response.end('{}')).listen(Number(process.env.PORT), process.env.HOST);
