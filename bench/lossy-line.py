#!/usr/bin/env python3
"""A line that loses packets, between this machine and a network namespace of its own.

Usage: lossy-line.py NAMESPACE PORT SHARE_FILE
Makes NAMESPACE, joined to this machine by two TUN devices and this process, which drops of every packet that goes
either way the share that SHARE_FILE holds (0 to 1, read again twice a second). Inside, 127.0.0.1:PORT leads over that
line to 127.0.0.1:PORT here. Says "ready" once it stands. Needs root and iproute2.
The kernel's own netem is not on every machine; a TUN device is (Linux, Documentation/networking/tuntap.rst).
"""
import asyncio, ctypes, fcntl, os, random, signal, socket, struct, subprocess, sys

namespace, port, share_file = sys.argv[1], int(sys.argv[2]), sys.argv[3]
here, there = "10.231.7.1", "10.231.7.2"
libc = ctypes.CDLL(None, use_errno=True)
CLONE_NEWNET, TUNSETIFF, IFF_TUN, IFF_NO_PI = 0x40000000, 0x400454CA, 0x0001, 0x1000


def run(*command):
    subprocess.run(command, check=True)


def enter(path):
    with open(path) as own:
        if libc.setns(own.fileno(), CLONE_NEWNET) != 0:
            raise OSError(ctypes.get_errno(), path)


def tun(name):
    device = os.open("/dev/net/tun", os.O_RDWR | os.O_NONBLOCK)
    fcntl.ioctl(device, TUNSETIFF, struct.pack("16sH", name.encode(), IFF_TUN | IFF_NO_PI))
    return device


def lay():
    subprocess.run(["ip", "netns", "del", namespace], stderr=subprocess.DEVNULL)
    run("ip", "netns", "add", namespace)
    outer = tun("lossy0")
    run("ip", "addr", "add", f"{here}/24", "dev", "lossy0")
    run("ip", "link", "set", "lossy0", "up")
    home = os.open("/proc/self/ns/net", os.O_RDONLY)
    enter(f"/var/run/netns/{namespace}")
    inner = tun("line0")
    run("ip", "link", "set", "lo", "up")
    run("ip", "addr", "add", f"{there}/24", "dev", "line0")
    run("ip", "link", "set", "line0", "up")
    # a browser looks for its own addresses by the way out
    run("ip", "route", "add", "default", "via", here)
    # the door inside is opened there, and kept when this process is back home
    door = socket.create_server(("127.0.0.1", port))
    door.setblocking(False)
    return outer, inner, door, home


def share():
    try:
        with open(share_file) as own:
            return float(own.read())
    except (OSError, ValueError):
        return 0.0


async def pump(reader, writer):
    try:
        while data := await reader.read(65536):
            writer.write(data)
            await writer.drain()
    except OSError:
        pass
    finally:
        writer.close()


async def main():
    outer, inner, door, home = lay()
    lost = {"share": share()}
    loop = asyncio.get_running_loop()

    def pass_on(source, target):
        try:
            packet = os.read(source, 65536)
            if random.random() >= lost["share"]:
                os.write(target, packet)
        except BlockingIOError:
            pass

    loop.add_reader(outer, pass_on, outer, inner)
    loop.add_reader(inner, pass_on, inner, outer)

    there_net = open(f"/var/run/netns/{namespace}")

    async def over_the_line():
        """A connection that is opened in the namespace, so that it crosses the line."""
        libc.setns(there_net.fileno(), CLONE_NEWNET)
        try:
            made = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
        finally:
            libc.setns(home, CLONE_NEWNET)
        made.setblocking(False)
        await loop.sock_connect(made, (here, port))
        return await asyncio.open_connection(sock=made)

    def door_to(connect):
        async def answer(reader, writer):
            try:
                out_reader, out_writer = await connect()
            except OSError:
                return writer.close()
            await asyncio.gather(pump(reader, out_writer), pump(out_reader, writer))

        return answer

    libc.setns(home, CLONE_NEWNET)
    await asyncio.start_server(door_to(over_the_line), sock=door)
    await asyncio.start_server(door_to(lambda: asyncio.open_connection("127.0.0.1", port)), here, port)
    print("ready", flush=True)
    while True:
        await asyncio.sleep(0.5)
        lost["share"] = share()




def end(*_):
    subprocess.run(["ip", "netns", "del", namespace])
    os._exit(0)


signal.signal(signal.SIGTERM, end)
try:
    asyncio.run(main())
finally:
    subprocess.run(["ip", "netns", "del", namespace])
